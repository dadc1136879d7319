package org.pressboard.catalog;

import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Links that are good once and make the owner. Only a hash of each is kept. */
@Component
public class WelcomeLinks {

    private static final Table<?> LINKS = DSL.table(DSL.name("pressboard", "welcome_link"));

    private final DSLContext sql;

    WelcomeLinks(DSLContext sql) {
        this.sql = sql;
    }

    /** Makes a new link's token; earlier ones are good no more. */
    @Transactional
    public String renew() {
        String token = Digests.token();
        sql.deleteFrom(LINKS).execute();
        sql.insertInto(LINKS, hashColumn(), DSL.field(DSL.name("created_at")))
                .values(Digests.sha256(token), DSL.currentOffsetDateTime()).execute();
        return token;
    }

    @Transactional(readOnly = true)
    public boolean isGood(String token) {
        return sql.fetchExists(DSL.selectOne().from(LINKS).where(hashColumn().eq(Digests.sha256(token))));
    }

    /** Uses the link up; false when it was not good any more. */
    @Transactional
    public boolean useUp(String token) {
        return sql.deleteFrom(LINKS).where(hashColumn().eq(Digests.sha256(token))).execute() == 1;
    }

    private static org.jooq.Field<String> hashColumn() {
        return DSL.field(DSL.name("token_hash"), String.class);
    }
}
