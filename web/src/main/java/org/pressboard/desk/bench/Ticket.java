package org.pressboard.desk.bench;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.desk.condition.Statements;
import org.pressboard.listing.CardFace;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Layout;
import org.pressboard.listing.Listing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Sending;
import org.pressboard.listing.Shown;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.words.Words;

/**
 * The ticket of a listing as it is drawn: what its lines say, and what each of their words can be changed to.
 *
 * @param keepSaid which rows are kept, as a sentence; empty: all
 * @param marksSaid of which rows each mark is, as a sentence
 * @param mark     a text that is another whenever the draft is
 * @param steps    the latest steps, the last first
 */
public record Ticket(String page, Listing listing, Table table, Statements keep, String keepSaid, List<String> marksSaid,
                     String mark, List<StepLine> steps) implements Steps {

    /** How its cards look, or would. */
    public CardFace face() {
        return listing.show().layout().cards().orElse(CardFace.USUAL);
    }

    /** How many cards stand side by side, or would. */
    public int across() {
        return listing.show().layout() instanceof Layout.AsCards cards ? cards.across() : 0;
    }

    /** A step as it is told. */
    public record StepLine(String said, String when, String who, boolean takenBack) {
    }

    /** A field as the listing shows it, and what of its look can be changed. */
    public record ShownField(Field field, Shown shown, String label, Kind kind) {
    }

    /** What the values of a field have to be formatted of. */
    public record Kind(boolean digits, boolean money, boolean unit, boolean day, boolean text, boolean several,
                       boolean link, boolean picture, boolean rating, boolean lengthy) {

        static Kind of(Field field) {
            FieldType type = field.type();
            boolean isRating = type instanceof Numeric.Rating;
            return new Kind(type.isNumber() && !isRating && !(type instanceof Numeric.WholeNumber),
                    type instanceof Numeric.Money, !field.unit().isEmpty(),
                    type instanceof Temporal.Date || type instanceof Temporal.DateTime,
                    type instanceof Textual.Text || type instanceof Chosen || type instanceof Referring, type.isSeveral(),
                    type instanceof Textual.Link || type instanceof Textual.Email || type instanceof Textual.Phone,
                    type instanceof Attached attached && attached.isOfPictures(), isRating,
                    type instanceof Textual.LongText || type instanceof Textual.FormattedText);
        }
    }

    /** The fields shown, in their order. */
    public List<ShownField> lines() {
        return listing.show().fields().stream().map(shown -> {
            Field field = table.field(shown.field());
            return new ShownField(field, shown, shown.labelOf(field), Kind.of(field));
        }).toList();
    }

    /** The fields that are not shown. */
    public List<Field> others() {
        return table.fields().stream().filter(field -> !listing.shown().contains(field.key())).toList();
    }

    public List<ShownField> searchable() {
        return lines().stream().filter(line -> line.field().type().isText()).toList();
    }

    /** What can be added up. */
    public List<ShownField> addable() {
        return lines().stream().filter(line -> line.field().type() instanceof Numeric
                && !(line.field().type() instanceof Numeric.Rating)).toList();
    }

    /** A field that may be taken, and whether it is. */
    public record Choice(FieldKey key, String label, boolean taken) {
    }

    /** Those taken first and in their order, then the others. */
    private static List<Choice> choices(List<FieldKey> taken, List<ShownField> all) {
        return Stream.concat(taken.stream().flatMap(key -> all.stream().filter(line -> line.field().key().equals(key))),
                        all.stream().filter(line -> !taken.contains(line.field().key())))
                .map(line -> new Choice(line.field().key(), line.label(), taken.contains(line.field().key()))).toList();
    }

    /** By what rows could be narrowed. */
    public List<Choice> narrowable() {
        return choices(listing.find().narrow(),
                lines().stream().filter(line -> !NarrowBy.offered(line.field().type()).isEmpty()).toList());
    }

    /** What could stand on an opened row. */
    public List<Choice> openable() {
        return choices(listing.opened().stream().map(Shown::field).toList(), plain(table.fields().stream()));
    }

    /** What people could fill in. */
    public List<Choice> filling() {
        return choices(listing.changing().filled(table, listing.shown()).stream().map(Field::key).toList(), fillable());
    }

    private static List<ShownField> plain(Stream<Field> fields) {
        return fields.map(field -> new ShownField(field, Shown.usual(field.key()), field.label(), Kind.of(field))).toList();
    }

    /** The control of a narrowed field, as it can be changed. */
    public record Control(ShownField line, NarrowBy by, NarrowBy.ControlKind way, Set<NarrowBy.ControlKind> offered, boolean hasDistribution) {
    }

    /** The controls of the narrowed fields. */
    public List<Control> controls() {
        return listing.find().controls().stream().flatMap(by -> lines().stream()
                .filter(line -> line.field().key().equals(by.field())).map(line -> new Control(line, by,
                        by.wayFor(line.field().type()), NarrowBy.offered(line.field().type()),
                        NarrowBy.hasDistribution(line.field().type())))).toList();
    }

    /** The state in which nothing is searched or narrowed, where something is from the start. */
    public String unstarted() {
        return String.join("&", Stream.concat(Stream.of("q="), listing.find().controls().stream()
                .filter(control -> !control.start().isOpen()).map(control -> "f." + control.field() + "=")).toList());
    }

    /** Whether rows are searched or narrowed before anybody narrows them. */
    public boolean isStarted() {
        return !listing.find().words().isEmpty()
                || listing.find().controls().stream().anyMatch(control -> !control.start().isOpen());
    }

    /** What people may change, in words. */
    public String changingSaid(Words words) {
        Changing changing = listing.changing();
        int what = (changing.add() ? 1 : 0) + (changing.change() ? 2 : 0) + (changing.remove() ? 4 : 0);
        return words.say("ticket.changing." + what);
    }

    /** The buttons of each row, in words. */
    public String buttonsSaid(Words words) {
        List<String> said = Stream.concat(listing.changing().sending().stream().map(Sending::label),
                listing.changing().deeds().stream().map(Deed::label)).map(words::quoted).toList();
        return said.isEmpty() ? words.say("ticket.no-buttons") : String.join(", ", said);
    }

    /** The fields that people could fill in. */
    public List<ShownField> fillable() {
        return plain(table.fields().stream().filter(field -> Changing.canBeFilled(table, field)));
    }

    public List<Field> sortable() {
        return table.fields().stream().filter(field -> field.type().isSortable()).toList();
    }

    /** The fields whose links can be followed. */
    public List<Field> links() {
        return table.fields().stream().filter(field -> field.type() instanceof Textual.Link).toList();
    }

    public String linkTo() {
        return listing.opening().link() == null ? "" : label(listing.opening().link());
    }

    /** What fields are called on the listing. */
    public List<String> labels(List<FieldKey> keys) {
        return keys.stream().filter(table.fields()::has).map(this::label).toList();
    }

    private String label(FieldKey key) {
        Field field = table.field(key);
        return listing.show().find(key).map(shown -> shown.labelOf(field)).orElse(field.label());
    }

    /** What it is sorted by, in words; the usual direction goes without saying. */
    public String sorted(Words words) {
        return listing.order().stream().filter(sort -> table.fields().has(sort.field()))
                .map(sort -> sort.descending() ? words.sorted(label(sort.field()), table.field(sort.field()).type(), true)
                        : label(sort.field())).reduce((before, then) -> words.say("ticket.then", before, then)).orElse("");
    }

    /** The sorting at a place, as the address bar has it; empty where there is none. */
    public String sort(int at) {
        return at < listing.order().size() ? listing.order().get(at).toString() : "";
    }

    /** In which formats visitors download the rows. */
    public String formatsSaid(Words words) {
        return String.join(", ", listing.takeAway().stream()
                .map(each -> each.isFile() ? each.name() : words.say("ticket.format." + each)).toList());
    }

    /** Whether there is a file that is laid out for paper. */
    public boolean isOnPaper() {
        return listing.takeAway().contains(TakeAway.PDF);
    }

    public String address() {
        return "/desk/pages/" + page + "/" + listing.key();
    }
}
