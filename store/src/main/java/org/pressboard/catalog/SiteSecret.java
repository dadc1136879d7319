package org.pressboard.catalog;

import java.util.Objects;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** What only this site knows, made when it is first asked for; the same on every node. */
@Component
public class SiteSecret {

    private final DSLContext sql;
    private final TransactionTemplate writing;
    private volatile @Nullable String known;

    SiteSecret(DSLContext sql, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.writing = new TransactionTemplate(transactions);
        this.writing.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    public String get() {
        String secret = known;
        if (secret == null) {
            secret = Objects.requireNonNull(writing.execute(status -> sql.fetchSingle(
                    "update pressboard.site set secret = coalesce(secret, {0}) returning secret", DSL.val(Digests.token())).get(0, String.class)));
            known = secret;
        }
        return secret;
    }
}
