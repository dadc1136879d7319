package org.pressboard.catalog;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.change.Once;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Links that let somebody in once, and for a while. Only a hash of each is kept. */
@Component
public class EntryLinks {

    private final DSLContext sql;
    private final Once once;

    EntryLinks(DSLContext sql, Once once) {
        this.once = once;
        this.sql = sql;
    }

    /** Makes a link's token; earlier ones of the same person for the same purpose are good no more. */
    @Transactional
    public String make(EntryLink link) {
        String token = Digests.token();
        sql.execute("delete from pressboard.entry_link where email = {0} and purpose = {1}", DSL.val(link.email()),
                DSL.val(link.purpose().name()));
        sql.execute("""
                insert into pressboard.entry_link (token_hash, email, name, purpose, role, expires_at)
                values ({0}, {1}, {2}, {3}, {4}, now() + make_interval(secs => {5}))""", DSL.val(Digests.sha256(token)),
                DSL.val(link.email()), DSL.val(link.name()), DSL.val(link.purpose().name()), DSL.val(link.role().name()),
                DSL.val((double) link.purpose().good().toSeconds()));
        return token;
    }

    /** What the link is for, while it is good. */
    @Transactional(readOnly = true)
    public Optional<EntryLink> find(String token) {
        return sql.fetchOptional("select * from pressboard.entry_link where token_hash = {0} and expires_at > now()",
                DSL.val(Digests.sha256(token))).map(EntryLinks::link);
    }

    /**
     * Uses the link up, with all others of the same person but an invitation, which somebody else wrote; empty when it was not
     * good any more. The links of one person are used one after the other.
     */
    @Transactional
    public Optional<EntryLink> useUp(String token) {
        find(token).ifPresent(link -> sql.fetch("select pg_advisory_xact_lock(hashtext({0}))",
                DSL.val("pressboard links of " + link.email())));
        Optional<EntryLink> used = sql.fetchOptional("delete from pressboard.entry_link where token_hash = {0} "
                + "and expires_at > now() returning *", DSL.val(Digests.sha256(token))).map(EntryLinks::link);
        used.ifPresent(link -> sql.execute("delete from pressboard.entry_link where email = {0} and purpose <> {1}",
                DSL.val(link.email()), DSL.val(EntryLink.Purpose.INVITED.name())));
        return used;
    }

    /** An invitation that nobody has taken yet, and since and until when it is good. */
    public record Waiting(EntryLink link, Instant since, Instant until) {
    }

    /** The invitations that nobody has taken yet, the last first. */
    @Transactional(readOnly = true)
    public List<Waiting> waiting() {
        return sql.fetch("select * from pressboard.entry_link where purpose = {0} and expires_at > now() order by expires_at desc, "
                + "email limit 1000", DSL.val(EntryLink.Purpose.INVITED.name())).map(found -> {
                    Instant until = found.get("expires_at", OffsetDateTime.class).toInstant();
                    return new Waiting(link(found), until.minus(EntryLink.Purpose.INVITED.good()), until);
                });
    }

    /** The invitation of that address is good no more; false where there was none. */
    @Transactional
    public boolean withdrawInvitation(String email) {
        return sql.execute("delete from pressboard.entry_link where email = {0} and purpose = {1}", DSL.val(email),
                DSL.val(EntryLink.Purpose.INVITED.name())) > 0;
    }

    /** None of the person's links is good any more. */
    @Transactional
    public void withdraw(String email) {
        sql.execute("delete from pressboard.entry_link where email = {0}", DSL.val(email));
    }

    @Scheduled(cron = "0 11 * * * *")
    public void forgetOldOnce() {
        once.every(Duration.ofMinutes(30), "entry links", this::forgetOld);
    }

    /** The same now, whoever has done it. */
    @Transactional
    public void forgetOld() {
        sql.execute("delete from pressboard.entry_link where expires_at < now()");
    }

    private static EntryLink link(Record found) {
        return new EntryLink(found.get("email", String.class), found.get("name", String.class),
                EntryLink.Purpose.valueOf(found.get("purpose", String.class)),
                Account.Role.valueOf(found.get("role", String.class)));
    }
}
