package org.pressboard.walk;

import static org.pressboard.walk.Asked.condition;
import static org.pressboard.walk.Asked.pick;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Bounds;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Mark;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** What pages are made of, at random: a list with buttons and marks, and a form that hides questions and sets fields. */
final class Parts {

    static final FormKey FORM = new FormKey("tell");

    private Parts() {
    }

    static Page page(PageKey key, Table table, RandomGenerator random) {
        return new Page(key, "Walk <b>" + key, List.of(listing(new ListingKey(key.name()), table, random)))
                .holding(List.of(form(table, random)));
    }

    static Listing listing(ListingKey key, Table table, RandomGenerator random) {
        List<FieldKey> fields = table.fields().stream().map(Field::key).toList();
        return Listing.plain(key, table.key(), fields).keeping(random.nextBoolean() ? Condition.ALWAYS : condition(table, random))
                .with(Finding.by(fields, fields)).with(Ordering.by(List.of(new SortBy(pick(fields, random), random.nextBoolean()))))
                .with(Dress.USUAL.marking(List.of(new Mark(condition(table, random), Mark.Style.STRUCK, Mark.Colour.MOSS))))
                .with(Changing.NOTHING.with(true, true, true).inPlace(random.nextBoolean()).inSlip(random.nextBoolean())
                        .severally(random.nextBoolean()).doing(List.of(new Deed("Do", condition(table, random), stamps(table, random)))))
                .takenAwayAs(Set.of(TakeAway.CSV, TakeAway.JSON));
    }

    static Form form(Table table, RandomGenerator random) {
        List<Question> questions = new ArrayList<>();
        table.entered().stream().filter(field -> Form.canAsk(table, field)).forEach(field -> questions.add(random.nextInt(3) > 0
                ? Question.of(field.key()) : Question.of(field.key()).when(condition(table, random))));
        Bounds bounds = random.nextInt(3) > 0 ? Bounds.NONE : Bounds.each(2, pick(table.entered(), random).key());
        return Form.plain(FORM, table.key(), "Tell <i>us").asking(questions).stamping(random.nextBoolean() ? List.of()
                : stamps(table, random)).within(bounds);
    }

    private static List<Stamp> stamps(Table table, RandomGenerator random) {
        Field field = pick(table.entered(), random);
        return List.of(new Stamp(field.key(), field.type() instanceof Textual ? Operand.OfVisitor.NAME : switch (field.type().held()) {
            case DATE, MOMENT -> new Operand.Today(0);
            case WHOLE, DECIMAL -> new Operand.Fixed(Value.of(3L));
            case YES_NO -> new Operand.Fixed(Value.of(true));
            default -> pick(List.of(Operand.OfVisitor.ROW, new Operand.Fixed(Value.of("pear")),
                    new Operand.Fixed(Value.of(LocalDate.EPOCH))), random);
        }));
    }
}
