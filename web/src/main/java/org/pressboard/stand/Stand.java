package org.pressboard.stand;

import static java.nio.charset.StandardCharsets.UTF_8;

import org.jspecify.annotations.Nullable;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.TableKey;
import org.springframework.web.util.UriUtils;

/** A place where listings are served: what its addresses are. */
public sealed interface Stand {

    /** The address of the page, which carries the state of its listings. */
    String page();

    /** What the addresses begin with that are about one of its listings alone. */
    String listing(ListingKey listing);

    /** What the addresses begin with at which rows are read whole. */
    default String read() {
        return page();
    }

    /** What the addresses of the page's own pictures begin with; at the desk they are looked at as they were brought. */
    default String pictures() {
        return "/desk/files";
    }

    /** A page that visitors get. */
    record Published(PageKey key) implements Stand {

        @Override
        public String page() {
            return "/" + key;
        }

        @Override
        public String pictures() {
            return page() + "/picture";
        }

        /** Whatever page it stands on. */
        @Override
        public String listing(ListingKey listing) {
            return "/listings/" + listing;
        }
    }

    /** A page as somebody would see it, to be looked at and nothing else. */
    sealed interface Proof extends Stand {

        @Override
        default String listing(ListingKey listing) {
            return page() + "/" + listing;
        }
    }

    /**
     * The draft.
     *
     * @param seenBy whom the address names as the one who sees it; {@code null}: nobody, so whoever asks does
     */
    record Draft(PageKey key, @Nullable String seenBy) implements Proof {

        @Override
        public String page() {
            return seenBy == null ? "/desk/proof/" + key : "/desk/seen/" + UriUtils.encodePathSegment(seenBy, UTF_8) + "/" + key;
        }
    }

    /** One of the editions. */
    record OfEdition(PageKey key, int number) implements Proof {

        @Override
        public String page() {
            return "/desk/editions/" + key + "/" + number + "/look";
        }
    }

    /** The draft's listings on the page's own screen at the desk; its rows are read in its proof. */
    record AtDesk(PageKey key) implements Stand {

        @Override
        public String page() {
            return "/desk/pages/" + key;
        }

        @Override
        public String listing(ListingKey listing) {
            return page() + "/" + listing;
        }

        @Override
        public String read() {
            return new Draft(key, null).page();
        }
    }

    /** All rows of a table at the desk. */
    record AllRows(TableKey key) implements Stand {

        @Override
        public String page() {
            return "/desk/tables/" + key;
        }

        /** There is one. */
        @Override
        public String listing(ListingKey listing) {
            return page();
        }
    }
}
