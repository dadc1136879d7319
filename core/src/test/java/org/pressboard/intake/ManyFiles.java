package org.pressboard.intake;

import static java.nio.charset.StandardCharsets.UTF_16BE;
import static java.nio.charset.StandardCharsets.UTF_16LE;
import static java.nio.charset.StandardCharsets.UTF_8;

import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Files of many kinds, and for each the CSV that must come out again when nothing but what the intake suggests is done
 * to it: the file itself, but for what the screen says.
 */
public final class ManyFiles {

    /**
     * One file.
     *
     * @param out   what is to come out, lines ending with a mere line feed
     * @param aside the lines that are kept aside
     */
    public record One(String name, byte[] bytes, String out, List<Long> aside) {

        @Override
        public String toString() {
            return name;
        }
    }

    private final List<One> files = new ArrayList<>();

    private ManyFiles() {
    }

    public static Stream<One> all() {
        ManyFiles many = new ManyFiles();
        many.codesAndNumbers();
        many.answersAndChoices();
        many.datesAndMoments();
        many.texts();
        many.shapes();
        many.encodings();
        many.preambles();
        return many.files.stream();
    }

    private void codesAndNumbers() {
        same("telephone numbers", "Who,Phone\nMira,+4915112345100\nTomas,+4915112345101\n");
        same("minus zero", "Who,Sign\na,-0\nb,-0\n");
        same("codes like powers of ten", "Part,Code\na,12E4\nb,13E5\nc,99E1\n");
        same("a power of ten among numbers", "a,b\n1,1.5\n2,12E4\n3,2.25\n");
        same("leading zeros", "City,Code\nHarpen,00501\nWell,12345\n");
        same("leading zero decimals", "a,b\nx,00.5\ny,01.5\n");
        same("a point first", "a,b\nx,.5\ny,.25\n");
        same("a point last", "a,b\nx,5.\ny,6.\n");
        same("a plus among numbers", "a,b\nx,5\ny,+6\n");
        same("nineteen digits", "a,b\nx,1234567890123456789\ny,1234567890123456780\n");
        same("forty digits", "a,b\nx," + "1234567890".repeat(4) + "\ny," + "9876543210".repeat(4) + "\n");
        same("trailing zeros", "a,b\nx,1.50\ny,2.000\nz,-3.1\n");
        same("fifteen digits behind the point", "a,b\nx,38.123456789012345\ny,1.5\n");
        same("the largest whole number", "a,b\nx,999999999999999999\ny,-999999999999999999\n");
        same("years", "What,Year\na,1847\nb,2001\n");
        same("hexadecimal", "a,b\nx,0x1F\ny,0x2A\n");
        same("not a number", "a,b\nx,1.5\ny,NaN\nz,Infinity\n");
        same("minus behind", "a,b\nx,5-\ny,6-\n");
        turned("money with its sign", "a,b\nx,5 €\ny,6.50 €\n", "a,b\nx,5\ny,6.50\n");
        same("money of two currencies", "a,b\nx,5 €\ny,6.50 £\n");
        same("more digits than the currency has", "a,b\nx,¥5\ny,¥6.50\n");
        turned("percent", "a,b\nx,5%\ny,6%\n", "a,b\nx,5\ny,6\n");
        turned("groups of thousands", "a;b\nx;\"1,234.50\"\ny;\"12,345,678.25\"\n", "a,b\nx,1234.50\ny,12345678.25\n");
        turned("decimal commas", "a;b\nx;1.234,50\ny;-0,25\n", "a,b\nx,1234.50\ny,-0.25\n");
        same("numbers apart by points only", "Version,What\n1.2.3,a\n10.0.1,b\n");
    }

    private void answersAndChoices() {
        same("Norway alone", "Tree,Country\na,NO\nb,NO\nc,NO\n");
        same("Norway among others", "Tree,Country\n" + "a,NO\n".repeat(50) + "b,SE\n");
        same("yes alone", "Tree,Propped\na,yes\nb,yes\nc,\n");
        same("yes and no", "Tree,Propped\na,yes\nb,no\nc,\n");
        turned("answers of a program", "Tree,Propped\na,TRUE\nb,FALSE\n", "Tree,Propped\na,yes\nb,no\n");
        same("ones and zeros", "Tree,Propped\na,1\nb,0\n");
        same("choices", "Use\n" + "Cider\nEating\n".repeat(10));
        same("choices in two cases", "Use\n" + "Cider\ncider\nCIDER \n".repeat(5));
    }

    private void datesAndMoments() {
        same("dates, year first", "Planted\n2024-03-09\n1999-12-31\n0001-01-01\n");
        turned("dates, day first", "Planted,n\n25.12.2020,1\n9.3.2024,2\n", "Planted,n\n2020-12-25,1\n2024-03-09,2\n");
        turned("dates in words", "Planted,n\n\"March 9, 2024\",1\n24. Dez. 1999,2\n",
                "Planted,n\n2024-03-09,1\n1999-12-24,2\n");
        turned("moments", "Seen,n\n2024-03-09 14:30,1\n2024-03-09 14:30:15.250000,2\n",
                "Seen,n\n2024-03-09T14:30:00,1\n2024-03-09T14:30:15.25,2\n");
        same("moments of UTC", "Seen,n\n2024-03-09T07:05:09Z,1\n2024-03-10T07:05:09Z,2\n");
        same("parts of a microsecond", "Seen,n\n2024-03-09 07:05:09.123456789,1\n2024-03-09 07:05:09.123456,2\n");
        same("moments with an offset", "Seen,n\n2024-03-09T07:05:09+02:00,1\n2024-03-10T07:05:09+01:00,2\n");
        turned("times of day", "At,n\n07:05,1\n14:30,2\n", "At,n\n07:05:00,1\n14:30:00,2\n");
        same("times beyond a day", "At,n\n07:05,1\n25:30,2\n");
        same("no such day", "Planted,n\n2024-02-30,1\n2024-02-31,2\n");
        same("years alone with a month", "When,n\n2024-03,1\n2024-04,2\n");
    }

    private void texts() {
        same("blanks only", "a,b\nx,  \ny,text\n");
        same("a column of blanks", "a,b\nx,  \ny, \n");
        same("blanks around text", "a,b\nx, text \ny,\ttab\n");
        turned("blanks around numbers", "a,b\nx, 5\ny,6 \nz, \n", "a,b\nx,5\ny,6\nz,\n");
        same("signs of other formats", "a,b\nx,\\N\ny,\\.\nz,NULL\n");
        same("formulas", "a,b\nx,=1+1\ny,@sum\nz,-a\n");
        same("surrogates and marks", "a,b\nx,\uD83C\uDF4F apple\ny,e\u0301\nz,\u05E9\u05DC\n");
        same("a replacement character of its own", "a,b\nx,caf\uFFFD\ny,z\n");
        same("blanks of other kinds", "a,b\nx,\u00A0nbsp\ny,\u200Bzero\n");
        same("markup", "a,b\nx,<b>bold</b>\ny,&amp;\n");
        same("mail and links", "m,l\nmira@example.org,https://example.org/a?b=c\nt@example.org,http://example.org\n");
        same("line breaks", "a,b\nx,\"one\ntwo\"\ny,three\n");
        same("a long text", "a,b\nx," + "word ".repeat(5_000) + "\ny,z\n");
    }

    private void shapes() {
        turned("behind the quotation mark", "a,b\nx,\"abc\"def\ny,\"Big\" Jim\n",
                "a,b\nx,\"\"\"abc\"\"def\"\ny,\"\"\"Big\"\" Jim\"\n");
        turned("quotation marks within", "a,b\nx,5\" pipe\ny,\"six \"\" pipe\"\n",
                "a,b\nx,\"5\"\" pipe\"\ny,\"six \"\" pipe\"\n");
        same("a blank line in one column", "Name\na\n\nb\n");
        same("one column of words", "Name\nHollin\nBramber\n");
        turned("blank lines among columns", "a,b\n1,2\n\n3,4\n\n", "a,b\n1,2\n3,4\n");
        turned("tabs", "a\tb\n1\tx y\n", "a,b\n1,x y\n");
        turned("bars", "a|b\n1|x,y\n", "a,b\n1,\"x,y\"\n");
        turned("carriage returns alone", "a,b\r1,x\r2,y\r", "a,b\n1,x\n2,y\n");
        turned("no line break at the end", "a,b\r\n1,x\r\n2,y", "a,b\n1,x\n2,y\n");
        turned("a delimiter at each end", "a;b;\n1;x;\n2;y;\n", "a,b\n1,x\n2,y\n");
        turned("a delimiter at the end of rows alone", "a;b\n1;x;\n2;y;\n", "a,b\n1,x\n2,y\n");
        add("a delimiter at some ends", "a;b\n1;x;\n2;y\n3;z\n".getBytes(UTF_8), "a,b\n2,y\n3,z\n", 2);
        add("more and fewer values", "a,b\n1,x\n2\n3,y,z\n4,w\n".getBytes(UTF_8), "a,b\n1,x\n4,w\n", 3, 4);
        turned("an empty last column", "a,b,c\n1,,\n2,x,\n", "a,b\n1,\n2,x\n");
        turned("headings twice and missing", "a,,a\n1,2,3\n", "a,Column 2,a 2\n1,2,3\n");
        same("three hundred columns", wide(300));
        same("five hundred columns", wide(500));
    }

    private static String wide(int columns) {
        return IntStream.rangeClosed(1, columns).mapToObj(i -> "c" + i).collect(Collectors.joining(",")) + "\n"
                + (IntStream.rangeClosed(1, columns).mapToObj(i -> "value" + i).collect(Collectors.joining(","))
                + "\n").repeat(3);
    }

    private void encodings() {
        String text = "Name,Price\nSüßer Jakob,5 €\nÉpinard,6 €\n";
        String out = text.replace(" €", "");
        for (String encoding : List.of("windows-1252", "UTF-8")) {
            add(encoding, text.getBytes(Charset.forName(encoding)), out);
        }
        for (String encoding : List.of("UTF-8", "UTF-16LE", "UTF-16BE", "UTF-32LE", "UTF-32BE")) {
            add(encoding + " with a mark", ("\uFEFF" + text).getBytes(Charset.forName(encoding)), out);
        }
        add("UTF-16LE without a mark", text.getBytes(UTF_16LE), out);
        add("UTF-16BE without a mark", text.getBytes(UTF_16BE), out);
        add("one bad byte in UTF-8", bytes("Name,City\nMüller,Ålborg\nM", 0xFC, "ller,Århus\nJosé,Göteborg\n"),
                "Name,City\nMüller,Ålborg\nJosé,Göteborg\n", 3);
        add("a byte that means nothing in windows-1252",
                concat("Name\nM".getBytes(UTF_8), new byte[] {(byte) 0xFC}, "ller\nx".getBytes(UTF_8),
                        new byte[] {(byte) 0x81}, "y\nJos".getBytes(UTF_8), new byte[] {(byte) 0xE9, '\n'}),
                "Name\nMüller\nJosé\n", 3);
        same("a byte order mark within", "a,b\nx,\uFEFFy\nz,w\n");
    }

    private void preambles() {
        turned("the delimiter named", "sep=;\na;b\n1;x,y\n", "a,b\n1,\"x,y\"\n");
        turned("an unusual delimiter named", "sep=^\na^b\n1^x,y\n", "a,b\n1,\"x,y\"\n");
        turned("comments on top", "# made by a scale\n# on a Monday\na,b\n1,x\n2,y\n", "a,b\n1,x\n2,y\n");
        turned("comments and a blank line on top", "# made by a scale, \"3\"\n\na,b\n1,x\n", "a,b\n1,x\n");
        turned("headings behind a sign of comments", "#id,name\n1,x\n2,y\n", "#id,name\n1,x\n2,y\n");
        turned("nothing but hashtags", "#apple\n#pear\n#plum\n", "#apple\n#pear\n#plum\n");
        turned("a comment and hashtags below", "# note\nTag\n#pear\n", "Tag\n#pear\n");
    }

    private void same(String name, String text) {
        add(name, text.getBytes(UTF_8), text);
    }

    private void turned(String name, String text, String out) {
        add(name, text.getBytes(UTF_8), out);
    }

    private void add(String name, byte[] bytes, String out, long... aside) {
        files.add(new One(name, bytes, out, java.util.Arrays.stream(aside).boxed().toList()));
    }

    private static byte[] bytes(String before, int bad, String behind) {
        return concat(before.getBytes(UTF_8), new byte[] {(byte) bad}, behind.getBytes(UTF_8));
    }

    private static byte[] concat(byte[]... parts) {
        java.io.ByteArrayOutputStream all = new java.io.ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }
}
