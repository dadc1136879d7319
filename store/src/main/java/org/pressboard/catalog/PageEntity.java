package org.pressboard.catalog;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;

@Entity
@Table(name = "page")
class PageEntity {

    @Id
    private String key;

    private String title;

    @JdbcTypeCode(SqlTypes.JSON)
    private String draft;

    private @Nullable Integer edition;

    @Column(name = "position")
    private int position;

    @Column(updatable = false)
    private Instant createdAt;

    /** Since when it is in the bin. */
    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected PageEntity() {
    }

    PageEntity(Page page, int position) {
        this.key = page.key().name();
        this.title = page.title();
        this.draft = KeptForm.PAGE.write(page);
        this.position = position;
        this.createdAt = Instant.now();
    }

    PageKey pageKey() {
        return new PageKey(key);
    }

    Page draft() {
        return KeptForm.PAGE.read(draft).at(pageKey());
    }

    void draft(Page page) {
        title = page.title();
        draft = KeptForm.PAGE.write(page);
    }

    @Nullable Integer edition() {
        return edition;
    }

    void show(@Nullable Integer number) {
        edition = number;
    }

    void place(int at) {
        position = at;
    }

    void remove(Instant now) {
        removedAt = now;
    }

    void putBack() {
        removedAt = null;
    }

    @Nullable Instant removedAt() {
        return removedAt;
    }
}
