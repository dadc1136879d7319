package org.pressboard.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Verb;
import org.pressboard.table.TableKey;

@Entity
@Table(name = "table_grant")
class GrantEntity {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private @Nullable Long id;

    private String tableKey;

    @Enumerated(EnumType.STRING)
    private Audience audience;

    @Enumerated(EnumType.STRING)
    private Verb verb;

    @JdbcTypeCode(SqlTypes.JSON)
    private String rows;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected GrantEntity() {
    }

    GrantEntity(TableKey table, Grant grant) {
        this.tableKey = table.name();
        this.audience = grant.audience();
        this.verb = grant.verb();
        this.rows = Definitions.write(grant.rows());
    }

    String tableKey() {
        return tableKey;
    }

    Grant toGrant() {
        return new Grant(audience, verb, Definitions.read(rows, Condition.class));
    }
}
