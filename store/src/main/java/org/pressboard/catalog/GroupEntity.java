package org.pressboard.catalog;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.value.RowId;

@Entity
@Table(name = "member_group")
class GroupEntity {

    @Id
    private String key;

    private String label;

    @JdbcTypeCode(SqlTypes.JSON)
    private String rows;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private Long[] byHand;

    @Column(updatable = false)
    private int position;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected GroupEntity() {
    }

    @SuppressWarnings("NullAway") // the group fills it
    GroupEntity(Group group, int position) {
        this.key = group.key().name();
        this.position = position;
        change(group);
    }

    final void change(Group group) {
        label = group.label();
        rows = KeptForm.CONDITION.write(group.rows());
        byHand = group.byHand().stream().map(RowId::number).sorted().toArray(Long[]::new);
    }

    Group toGroup() {
        Set<RowId> members = Arrays.stream(byHand).map(RowId::new).collect(Collectors.toSet());
        return new Group(new GroupKey(key), label, KeptForm.CONDITION.read(rows), members);
    }
}
