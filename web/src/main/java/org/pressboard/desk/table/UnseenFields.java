package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.schema.TableChanges;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * Fields that look empty to people who see their rows, because they may not see those that the fields come from: said
 * where it bites, with one click that lets them see just what the field shows.
 */
@Controller
public class UnseenFields {

    private final Catalog catalog;
    private final TableFrame frame;
    private final TableChanges changes;
    private final ConditionDesk conditions;

    UnseenFields(Catalog catalog, TableFrame frame, TableChanges changes, ConditionDesk conditions) {
        this.catalog = catalog;
        this.frame = frame;
        this.changes = changes;
        this.conditions = conditions;
    }

    /** A field that looks empty, and to whom, in a sentence. */
    public record Unseen(TableKey table, FieldKey field, String said) {
    }

    /** Those of a listing, for the widest of its readers that have nothing of them; while it has none, for everybody. */
    public List<Unseen> of(PublishedSite site, Listing listing) {
        Table table = site.table(listing.table());
        return shown(listing, table).flatMap(field -> of(site, table, field).stream()).toList();
    }

    /** The same for one person, who is looked through the eyes of. */
    public List<Unseen> of(Sight sight, Listing listing) {
        List<Unseen> unseen = new ArrayList<>();
        shown(listing, sight.table()).forEach(field -> sight.blind(field).stream().findFirst().ifPresent(behind ->
                unseen.add(new Unseen(sight.table().key(), field.key(), words().say("desk.unseen", words().say("desk.unseen.they"),
                        field.label(), sight.tables().get(behind).label())))));
        return unseen;
    }

    private static Stream<Field> shown(Listing listing, Table table) {
        return Stream.concat(listing.seen().stream(), listing.find().narrow().stream()).distinct()
                .flatMap(key -> table.fields().find(key).stream());
    }

    /** Whether, and to whom, a field looks empty. */
    Optional<Unseen> of(PublishedSite site, Table table, Field field) {
        Map<Audience, Visitor> readers = site.readers(table.key());
        if (readers.isEmpty()) {
            readers.put(Audience.EVERYONE, Visitor.ANYONE);
        }
        return readers.entrySet().stream().flatMap(reader -> site.sight(reader.getValue(), table.key()).blind(field).stream()
                .filter(other -> !other.equals(table.key())).limit(1)
                .map(other -> new Unseen(table.key(), field.key(), words().say("desk.unseen",
                        reader.getKey().equals(Audience.EVERYONE) ? words().say("desk.unseen.visitors")
                                : conditions.audience(reader.getKey()), field.label(), site.table(other).label()))))
                .findFirst();
    }

    /** All who see the field see what it shows of other rows from now on, and nothing else of them. */
    @PostMapping("/desk/tables/{key}/fields/{field}/open")
    String open(Visit visit, @PathVariable String key, @PathVariable String field, @RequestParam(defaultValue = "") String back,
            RedirectAttributes flash) {
        Table table = frame.find(key);
        table.fields().stream().filter(each -> each.key().name().equals(field)).forEach(each -> {
            Table whole = catalog.publishedNow().tables().get(table.key());
            parts(whole, each).forEach(part -> changes.changeField(table.key(), part.opened(true), visit.author()));
            flash.addFlashAttribute("said", words().say("desk.unseen.opened", each.label()));
        });
        return TableFrame.back(back, "/desk/tables/" + table.key() + "/fields");
    }

    /** What is put together shows what its parts do. */
    private static Stream<Field> parts(Table table, Field field) {
        return field.computed() instanceof org.pressboard.table.Computed.Composed composed
                ? composed.uses().stream().map(table::field).flatMap(part -> parts(table, part)) : Stream.of(field);
    }

    private Words words() {
        return frame.words();
    }
}
