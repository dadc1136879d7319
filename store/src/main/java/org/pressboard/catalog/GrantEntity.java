package org.pressboard.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Verb;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;

@Entity
@Table(name = "table_grant")
class GrantEntity {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private @Nullable Long id;

    private String tableKey;

    /** One of those that are for everybody, or that it is a group. */
    private String audience;

    private @Nullable String groupKey;

    @Enumerated(EnumType.STRING)
    private Verb verb;

    private boolean own;

    @JdbcTypeCode(SqlTypes.JSON)
    private String rows;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> without;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> letting;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected GrantEntity() {
    }

    GrantEntity(TableKey table, Grant grant) {
        this.tableKey = table.name();
        switch (grant.audience()) {
            case Audience.Everyone everyone -> this.audience = "EVERYONE";
            case Audience.Members members -> this.audience = "MEMBERS";
            case Audience.Those(GroupKey group) -> {
                this.audience = "GROUP";
                this.groupKey = group.name();
            }
        }
        this.verb = grant.verb();
        this.own = grant.own();
        this.rows = KeptForm.CONDITION.write(grant.rows());
        this.without = names(grant.without());
        this.letting = names(grant.letting());
    }

    String tableKey() {
        return tableKey;
    }

    Grant toGrant() {
        return new Grant(audience(), verb, own, KeptForm.CONDITION.read(rows),
                keys(without), keys(letting));
    }

    private static List<String> names(Set<FieldKey> fields) {
        return fields.stream().map(FieldKey::name).sorted().toList();
    }

    private static Set<FieldKey> keys(List<String> names) {
        return names.stream().map(FieldKey::new).collect(Collectors.toSet());
    }

    private Audience audience() {
        return switch (audience) {
            case "EVERYONE" -> Audience.EVERYONE;
            case "MEMBERS" -> Audience.MEMBERS;
            default -> Audience.those(new GroupKey(java.util.Objects.requireNonNull(groupKey)));
        };
    }
}
