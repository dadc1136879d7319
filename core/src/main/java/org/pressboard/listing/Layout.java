package org.pressboard.listing;

import java.util.Optional;
import java.util.function.UnaryOperator;

/** How the rows of a listing are laid out, with what there is to say of just that. */
public sealed interface Layout {

    /** The layouts there are, to choose among. */
    enum LayoutKind { TABLE, CARDS, STRIP }

    LayoutKind kind();

    /** How a card looks; empty where rows are none. */
    default Optional<CardFace> cards() {
        return Optional.empty();
    }

    /** The same with cards that look otherwise; as it is where rows are none. */
    default Layout facing(UnaryOperator<CardFace> change) {
        return this;
    }

    /** As it begins. */
    static Layout usual(LayoutKind kind) {
        return switch (kind) {
            case TABLE -> AsTable.USUAL;
            case CARDS -> AsCards.USUAL;
            case STRIP -> AsStrip.USUAL;
        };
    }

    /** Lines of a table. */
    record AsTable() implements Layout {

        static final AsTable USUAL = new AsTable();

        @Override
        public LayoutKind kind() {
            return LayoutKind.TABLE;
        }
    }

    /**
     * Cards side by side.
     *
     * @param across how many stand side by side where there is room, 1 to {@link #MOST_ACROSS}
     */
    record AsCards(int across, CardFace face) implements Layout {

        public static final int MOST_ACROSS = 4;
        private static final int USUAL_ACROSS = 3;
        static final AsCards USUAL = new AsCards(USUAL_ACROSS, CardFace.USUAL);

        public AsCards {
            if (across < 1 || across > MOST_ACROSS) {
                throw new IllegalArgumentException("At most " + MOST_ACROSS + " cards stand side by side, not " + across);
            }
        }

        public AsCards across(int other) {
            return new AsCards(other, face);
        }

        @Override
        public LayoutKind kind() {
            return LayoutKind.CARDS;
        }

        @Override
        public Optional<CardFace> cards() {
            return Optional.of(face);
        }

        @Override
        public Layout facing(UnaryOperator<CardFace> change) {
            return new AsCards(across, change.apply(face));
        }
    }

    /** Cards in one row that scrolls sideways. */
    record AsStrip(CardFace face) implements Layout {

        static final AsStrip USUAL = new AsStrip(CardFace.USUAL);

        @Override
        public LayoutKind kind() {
            return LayoutKind.STRIP;
        }

        @Override
        public Optional<CardFace> cards() {
            return Optional.of(face);
        }

        @Override
        public Layout facing(UnaryOperator<CardFace> change) {
            return new AsStrip(change.apply(face));
        }
    }
}
