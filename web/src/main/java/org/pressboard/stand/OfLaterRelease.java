package org.pressboard.stand;

/** The page was published by a later release of Pressboard, which is being put in place on other nodes. */
public final class OfLaterRelease extends RuntimeException {

    OfLaterRelease() {
        super("The page was published by a later release");
    }
}
