package org.pressboard.schema;

import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.listing.Listing;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What rests on a table's fields: told before a change, and what would break is refused with {@link ProblemsFound}. */
@Component
public class Dependents {

    private final Catalog catalog;
    private final HostedTables hosted;

    Dependents(Catalog catalog, HostedTables hosted) {
        this.catalog = catalog;
        this.hosted = hosted;
    }

    /** What would be broken without a field, and on which pages it is shown. */
    @Transactional(readOnly = true)
    public Uses of(TableKey key, FieldKey field) {
        Tables tables = catalog.tables();
        return new Uses(tables.usersOf(key, field), pages(listing -> listing.uses(tables, key, field)),
                pages(listing -> listing.keepsBy(tables, key, field)), isGranting(tables, key, field), hosted.filled(tables.get(key), field));
    }

    private boolean isGranting(Tables tables, TableKey key, FieldKey field) {
        boolean isOfPeople = tables.people().filter(key::equals).isPresent();
        return catalog.grants(key).all().stream().anyMatch(grant -> grant.rows().fields().contains(field))
                || (isOfPeople && catalog.groups().stream().anyMatch(group -> group.rows().fields().contains(field)));
    }

    /** The addresses of pages with such a listing, in their draft or in the edition that visitors get. */
    private List<String> pages(Predicate<Listing> which) {
        return catalog.pages().values().stream().filter(page -> Stream.concat(Stream.of(page.draft()), page.given().stream())
                .flatMap(each -> each.listings().stream()).anyMatch(which)).map(page -> "/" + page.draft().key()).toList();
    }

    /**
     * @param computed the computed fields that need it
     * @param pages    the addresses of pages that show it, or ask about it
     * @param keeping  the addresses of those that choose their rows by it, and would show none without it
     * @param granting whether grants of its table choose rows by it, or somebody is in a group by it
     * @param values   how many rows have a value in it
     */
    public record Uses(List<Tables.Reference> computed, List<String> pages, List<String> keeping, boolean granting, long values) {
    }

    /** A reference comes back only where the table is that it leads to. */
    void leadingNowhere(Tables tables, Table table) {
        table.fields().stream().filter(field -> Retyping.target(field.type()).filter(to -> tables.find(to).isEmpty()).isPresent())
                .findFirst().ifPresent(field -> {
                    TableKey gone = Retyping.target(field.type()).orElseThrow();
                    throw ProblemsFound.of("bin.target-gone", field.label(), catalog.removedTables().keySet().stream()
                            .filter(each -> each.key().equals(gone)).map(Table::label).findFirst().orElse(gone.name()));
                });
    }

    void used(Table table, Set<FieldKey> gone) {
        Tables tables = catalog.tables();
        for (FieldKey key : gone) {
            tables.usersOf(table.key(), key).stream()
                    .filter(use -> !(use.from().key().equals(table.key()) && gone.contains(use.by().key())))
                    .findFirst().ifPresent(use -> {
                        throw ProblemsFound.of("field.used", table.field(key).label(), use.by().label(),
                                use.from().label());
                    });
        }
    }

    /** A tally is worked out of columns as they are; what is borrowed comes through references that must stay some. */
    void retypedUnderTallies(Table before, Table wanted) {
        Tables tables = catalog.tables();
        before.fields().stream().filter(field -> field.isEntered() && wanted.fields().find(field.key())
                .filter(other -> !Columns.isSameColumn(field, other)).isPresent()).forEach(field ->
                tables.usersOf(before.key(), field.key()).stream().filter(use -> switch (use.by().computed()) {
                    case Computed.Tally tally -> true;
                    case Computed.Borrowed borrowed -> !isSource(tables.source(use.from(), borrowed), before, field);
                    case null, default -> false;
                }).findFirst().ifPresent(use -> {
                    throw ProblemsFound.of("field.used-as-is", field.label(), use.by().label(), use.from().label());
                }));
    }

    private static boolean isSource(Tables.Reference source, Table table, Field field) {
        return source.from().key().equals(table.key()) && source.by().key().equals(field.key());
    }
}
