package org.pressboard.catalog;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;

@Entity
@Immutable
@Table(name = "edition")
class EditionEntity {

    @Embeddable
    record Id(String pageKey, int number) implements Serializable {
    }

    @EmbeddedId
    private Id id;

    @JdbcTypeCode(SqlTypes.JSON)
    private String content;

    /** The number of the edition that visitors had before; {@code null}: the one before it, of old ones. */
    private @Nullable Integer follows;

    private Instant publishedAt;
    private @Nullable Long publishedBy;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected EditionEntity() {
    }

    EditionEntity(Page page, int number, int follows, @Nullable Long publishedBy) {
        this.id = new Id(page.key().name(), number);
        this.follows = follows;
        this.content = KeptForm.PAGE.write(page);
        this.publishedAt = Instant.now();
        this.publishedBy = publishedBy;
    }

    String pageKey() {
        return id.pageKey();
    }

    Edition toEdition() {
        // the address is the page's now, whatever it was then
        return new Edition(id.number(), KeptForm.PAGE.read(content).at(new PageKey(id.pageKey())), publishedAt,
                follows == null ? id.number() - 1 : follows);
    }
}
