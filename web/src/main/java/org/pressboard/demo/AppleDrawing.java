package org.pressboard.demo;

import java.util.Locale;
import java.util.Map;
import java.util.Random;

/** A drawing of an apple as SVG: its outline after its shape, its colours after its skin, its leaf as it happens. */
final class AppleDrawing {

    private static final Map<String, String> GROUND = Map.of("green", "#9db35a", "yellow", "#e2c257", "red", "#b8432f",
            "crimson", "#8c2338", "russet", "#a9793f");
    private static final Map<String, String> FLUSH = Map.of("red", "#b8432f", "orange", "#d98036");

    private AppleDrawing() {
    }

    static String of(String skin, String shape, int chance) {
        Random random = new Random(chance);
        String[] words = skin.split(" ");
        String ground = GROUND.getOrDefault(words[0], "#9db35a");
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\">");
        String outline = outline(shape, random);
        svg.append("<clipPath id=\"a\"><path d=\"").append(outline).append("\"/></clipPath>");
        svg.append("<path d=\"").append(outline).append("\" fill=\"").append(ground).append("\"/>");
        svg.append("<g clip-path=\"url(#a)\">");
        if (words.length == 3) {
            String flush = FLUSH.getOrDefault(words[2], "#b8432f");
            svg.append(words[1].equals("striped") ? stripes(flush, random) : blush(flush, random));
        }
        if (words[0].equals("russet")) {
            svg.append(specks(random));
        }
        svg.append("<ellipse cx=\"34\" cy=\"46\" rx=\"7\" ry=\"13\" fill=\"#fff\" fill-opacity=\".28\"/></g>");
        svg.append(stalkAndLeaf(random)).append("</svg>");
        return svg.toString();
    }

    /** From the dip of the stalk down the left side to the foot, and up the right side again. */
    private static String outline(String shape, Random random) {
        int lean = random.nextInt(5) - 2;
        int half = switch (shape) {
            case "flat" -> 41;
            case "conical" -> 35;
            case "oblong" -> 31;
            default -> 37;
        };
        int bottom = switch (shape) {
            case "flat" -> 81;
            case "oblong" -> 93;
            default -> 89;
        };
        int foot = shape.equals("conical") ? 16 : 25;
        return side(-half, -foot, bottom, lean) + side(half, foot, bottom, lean);
    }

    private static String side(int half, int foot, int bottom, int lean) {
        int edge = 50 + half;
        return format("M50 33C%d 20 %d 30 %d 54C%d 74 %d %d %d %dQ50 %d 50 %dL50 33Z", 50 + half / 2, edge, edge + lean,
                edge + lean, 50 + foot, bottom + 1, 50 + foot / 4, bottom, bottom - 2, bottom - 3);
    }

    private static String blush(String colour, Random random) {
        int x = 58 + random.nextInt(14);
        return format("<ellipse cx=\"%d\" cy=\"58\" rx=\"27\" ry=\"36\" fill=\"%s\" fill-opacity=\".55\"/>"
                + "<ellipse cx=\"%d\" cy=\"58\" rx=\"17\" ry=\"27\" fill=\"%s\" fill-opacity=\".6\"/>",
                x, colour, x + 6, colour);
    }

    private static String stripes(String colour, Random random) {
        StringBuilder stripes = new StringBuilder();
        for (int x = 16; x < 90; x += 5 + random.nextInt(4)) {
            stripes.append(format("<path d=\"M%d 30Q%d 58 %d 88\" stroke=\"%s\" stroke-width=\"%d\" "
                    + "stroke-opacity=\".65\" fill=\"none\"/>", 50 + (x - 50) / 2, x, 50 + (x - 50) * 2 / 3, colour,
                    1 + random.nextInt(3)));
        }
        return stripes.toString();
    }

    private static String specks(Random random) {
        StringBuilder specks = new StringBuilder();
        for (int i = 0; i < 60; i++) {
            specks.append(format("<circle cx=\"%d\" cy=\"%d\" r=\".9\" fill=\"#6d4a20\" fill-opacity=\".5\"/>",
                    14 + random.nextInt(72), 28 + random.nextInt(60)));
        }
        return specks.toString();
    }

    private static String stalkAndLeaf(Random random) {
        int tip = 46 + random.nextInt(10);
        String stalk = format("<path d=\"M50 36Q49 24 %d 14\" stroke=\"#5b4327\" stroke-width=\"3\" fill=\"none\" "
                + "stroke-linecap=\"round\"/>", tip);
        return random.nextInt(3) == 0 ? stalk
                : stalk + "<path d=\"M51 25Q62 8 80 14Q72 30 51 25Z\" fill=\"#4f6b35\"/>";
    }

    private static String format(String template, Object... values) {
        return String.format(Locale.ROOT, template, values);
    }
}
