package org.pressboard.catalog;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;

@Entity
@jakarta.persistence.Table(name = "hosted_table")
class TableEntity {

    @Id
    private String key;

    private String label;

    @JdbcTypeCode(SqlTypes.JSON)
    private String fields;

    @Column(updatable = false)
    private Instant createdAt;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected TableEntity() {
    }

    TableEntity(Table table) {
        this.key = table.key().name();
        this.label = table.label();
        this.fields = Definitions.write(table.fields());
        this.createdAt = Instant.now();
    }

    void relabel(Table table) {
        label = table.label();
        fields = Definitions.write(table.fields());
    }

    Table toTable() {
        return new Table(new TableKey(key), label, Definitions.read(fields, Fields.class));
    }
}
