package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.scope.VisitorScope;
import org.pressboard.testing.StoreTest;

/** What the roles of the database may not do, whatever Pressboard asks of it. */
class RolesTest extends StoreTest {

    @ParameterizedTest
    @ValueSource(strings = {"select lo_creat(-1)", "select lo_create(0)", "select lo_from_bytea(0, 'x')",
        "select pressboard.watch('hosted.x')", "select * from pressboard.account", "create table hosted.mine (a int)",
        "create temporary table mine (a int)", "create role mine"})
    void visitorsMayDoNothingButRead(String statement) {
        assertThatThrownBy(() -> inTransaction(() -> {
            sql.execute("set local role " + VisitorScope.ROLE);
            sql.execute(statement);
        })).rootCause().hasMessageContaining("permission denied");
    }

    @Test
    void theSitesOwnRoleMakesNoRolesAndExecutesWhatItNeeds() {
        assertThat(sql.fetchValue("select rolcreaterole or rolsuper from pg_roles where rolname = current_user"))
                .isEqualTo(false);
        // those of the extension for trigrams are PostgreSQL's
        assertThat(sql.fetchCount(DSL.table("pg_proc p"), DSL.condition("p.pronamespace = 'pressboard'::regnamespace "
                + "and not exists (select from pg_depend where objid = p.oid and deptype = 'e') "
                + "and has_function_privilege({0}, p.oid, 'execute')", DSL.inline(VisitorScope.ROLE)))).isZero();
    }
}
