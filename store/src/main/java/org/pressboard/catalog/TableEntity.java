package org.pressboard.catalog;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Table;

@Entity
@jakarta.persistence.Table(name = "hosted_table")
class TableEntity {

    @Id
    private String key;

    private String label;

    @JdbcTypeCode(SqlTypes.JSON)
    private String definition;

    @Column(updatable = false)
    private Instant createdAt;

    /** Since when it is in the bin. */
    private @Nullable Instant removedAt;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected TableEntity() {
    }

    TableEntity(Table table) {
        this.key = table.key().name();
        this.label = table.label();
        this.definition = KeptForm.TABLE.write(table);
        this.createdAt = Instant.now();
    }

    void define(Table table) {
        label = table.label();
        definition = KeptForm.TABLE.write(table);
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

    Table toTable() {
        return KeptForm.TABLE.read(definition);
    }
}
