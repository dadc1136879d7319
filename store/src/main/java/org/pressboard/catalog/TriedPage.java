package org.pressboard.catalog;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.PageKey;
import org.springframework.stereotype.Component;

/** The page that a thread tries out: to it, the page is as it is drafted, published or not; all others are as visitors get them. */
@Component
public class TriedPage {

    private final ThreadLocal<@Nullable PageKey> tried = new ThreadLocal<>();

    TriedPage() {
    }

    public void begin(PageKey page) {
        tried.set(page);
    }

    public void end() {
        tried.remove();
    }

    /** Empty: none. */
    public Optional<PageKey> current() {
        return Optional.ofNullable(tried.get());
    }
}
