package org.pressboard.sheet.line;

import java.util.List;
import org.pressboard.words.Words;

/** What a cell is drawn as. */
public sealed interface Content {

    /** What is read; empty where there is no value. */
    String text();

    /** As styles know it. */
    String kind();

    /** A text on a line. */
    record Text(String text) implements Content {

        @Override
        public String kind() {
            return "text";
        }
    }

    /**
     * Whether something is so.
     *
     * @param text what it is called; empty: nobody has said
     */
    record YesNo(String text, boolean yes) implements Content {

        @Override
        public String kind() {
            return "text";
        }
    }

    /** A number, in figures that stand under each other. */
    record Figures(String text) implements Content {

        @Override
        public String kind() {
            return "number";
        }
    }

    /** A day, or a time. */
    record Time(String text) implements Content {

        @Override
        public String kind() {
            return "when";
        }
    }

    /** A text of several lines, of which few are shown unless it is whole. */
    record Lines(String text, boolean whole) implements Content {

        @Override
        public String kind() {
            return whole ? "long whole" : "long";
        }
    }

    /** The same with headings, lists and links. */
    record Formatted(String text, boolean whole) implements Content {

        @Override
        public String kind() {
            return whole ? "formatted whole" : "formatted";
        }
    }

    /** Words that lead to an address. */
    record Link(String text, String address) implements Content {

        @Override
        public String kind() {
            return "link";
        }
    }

    /** Texts side by side, each in a colour. */
    record Tags(String text, List<Tag> tags) implements Content {

        public Tags {
            tags = List.copyOf(tags);
        }

        @Override
        public String kind() {
            return "tag";
        }
    }

    /** A text and the name of the colour behind it. */
    record Tag(String text, String colour) {
    }

    /**
     * So many marks of so many.
     *
     * @param text the number; empty: none is given
     */
    record Rating(String text, int most) implements Content {

        @Override
        public String kind() {
            return "rating";
        }
    }

    /**
     * A picture.
     *
     * @param text    what it is a picture of; empty: there is none
     * @param address where it is; empty: there is none
     * @param others  how many more there are that are not shown
     */
    record Picture(String text, String address, int others) implements Content {

        /** Where there is none. */
        static final Picture NONE = new Picture("", "", 0);

        @Override
        public String kind() {
            return "picture";
        }
    }
}
