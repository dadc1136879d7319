package org.pressboard.member;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.change.ChangeFeed;
import org.pressboard.change.KeptByState;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.rows.Picking;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Who members are: their rows in the table of the members, and the groups that they belong to. An account belongs to the
 * row with its e-mail address, in whatever case that is written; of several such rows, to the first.
 */
@Component
public class Members {

    private record Key(LocalDate today, String email) {
    }

    private final Catalog catalog;
    private final ChangeFeed changes;
    private final DSLContext sql;
    private final Clock clock;
    private final KeptByState<Key, Optional<Visitor>> known;

    Members(Catalog catalog, ChangeFeed changes, DSLContext sql, Clock clock, PlatformTransactionManager transactions) {
        this.catalog = catalog;
        this.changes = changes;
        this.sql = sql;
        this.clock = clock;
        TransactionTemplate reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        this.known = new KeptByState<>(10_000, reading);
    }

    /**
     * The account's person as a visitor of the site, as they are now; empty where it belongs to nobody among the members any
     * more. As long as there is no table of members, each account is one.
     */
    public Optional<Visitor> visitor(Account account) {
        if (account.role() != Account.Role.MEMBER) {
            return Optional.of(Visitor.staff(account.email()));
        }
        Optional<TableKey> people = catalog.published().tables().people();
        return people.isEmpty() ? Optional.of(new Visitor(Visitor.Kind.MEMBER,
                new Onlooker(account.email(), account.name(), null), Set.of())) : visitor(people.get(), account.email());
    }

    private Optional<Visitor> visitor(TableKey people, String email) {
        return known.get(changes.revisionWith(people), new Key(LocalDate.now(clock), email), () -> changes.revisionSeenWith(people),
                () -> find(email).map(row -> visitor(row, email)));
    }

    /** The member who has that address. */
    public Optional<Visitor> visitor(String email) {
        return catalog.published().tables().people().flatMap(people -> visitor(people, email));
    }

    /** The row of whoever has that address. */
    public Optional<Row> find(String email) {
        return rows(table -> DSL.condition("lower({0}) = {1}",
                TableSql.column(table.field(Objects.requireNonNull(table.people()))), DSL.val(email)), 1).stream().findFirst();
    }

    /** Whether somebody with that address is among the members; anybody is as long as there is no table of them. */
    public boolean isListed(String email) {
        return catalog.published().tables().people().isEmpty() || find(email).isPresent();
    }

    /** One of the members as a visitor, by the number of their row. */
    public Optional<Visitor> visitor(RowId row) {
        return rows(table -> Hosted.ID.eq(row), 1).stream().findFirst()
                .flatMap(found -> email(found).map(email -> visitor(found, email)));
    }

    /** The address by which a member is known. */
    public Optional<String> email(Row row) {
        Tables tables = catalog.published().tables();
        return tables.people().map(tables::get).map(Table::people).flatMap(row::find)
                .map(value -> PlainForm.write(value).toLowerCase(Locale.ROOT));
    }

    private interface Which {

        Condition of(Table table);
    }

    private List<Row> rows(Which which, int most) {
        Tables tables = catalog.published().tables();
        return tables.people().map(tables::get).map(table -> {
            TableSql from = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
            Picking picking = Picking.whole(from, fields(table));
            return sql.select(picking.columns()).from(from.asTable()).where(which.of(table)).orderBy(from.rowId())
                    .limit(most).fetch(picking::row);
        }).orElse(List.of());
    }

    /** What conditions may ask of a member. */
    private static List<FieldKey> fields(Table table) {
        return table.columns().stream().filter(field -> !(field.type() instanceof Attached)).map(Field::key).toList();
    }

    private Visitor visitor(Row row, String email) {
        PublishedSite site = catalog.published();
        Table table = site.tables().people().map(site.tables()::get).orElseThrow();
        String name = table.headingField().flatMap(heading -> row.find(heading.key())).map(Members::said).orElse(email);
        Standpoint standpoint = Standpoint.of(new Onlooker(email, name, row), LocalDate.now(clock));
        Set<GroupKey> groups = site.groups().stream().map(group -> group.of(site.tables(), table))
                .filter(group -> group.includes(row, standpoint)).map(Group::key).collect(Collectors.toSet());
        return Visitor.member(email, name, row, groups);
    }

    private static String said(Value value) {
        return value instanceof Value.Referred(var row, String heading) ? heading : PlainForm.write(value);
    }
}
