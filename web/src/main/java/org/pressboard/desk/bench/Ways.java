package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.sheet.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * What a field can be set to without being asked, in words.
 *
 * @param people the table of the members; {@code null}: there is none
 * @param led    the fields of rows to which questions lead
 */
record Ways(@Nullable Table people, List<Led> led, Words words) {

    /** What is chosen begins so where it is a field to which a question leads. */
    static final String LED = "led.";

    /** Something that can be chosen. */
    public record Way(String value, String text, boolean chosen) {
    }

    /** What the field may begin with, or be set to. */
    public List<Way> of(Field field, @Nullable Operand now) {
        List<Way> ways = new ArrayList<>();
        if (field.type() instanceof Temporal.Date || field.type() instanceof Temporal.DateTime) {
            ways.add(way("today", now instanceof Operand.Today));
        }
        if (!(field.type() instanceof Referring)) {
            ways.add(way("fixed", now instanceof Operand.Fixed));
        }
        boolean isText = field.type() instanceof Textual;
        if (isText) {
            ways.add(way("email", now instanceof Operand.OfVisitor(Operand.VisitorPart part, var none)
                    && part == Operand.VisitorPart.EMAIL));
            ways.add(way("name", now instanceof Operand.OfVisitor(Operand.VisitorPart part, var none)
                    && part == Operand.VisitorPart.NAME));
            ways.add(way("page", now instanceof Operand.OfPage(Operand.PagePart part) && part == Operand.PagePart.TITLE));
            ways.add(way("address", now instanceof Operand.OfPage(Operand.PagePart part)
                    && part == Operand.PagePart.ADDRESS));
        }
        if (people != null && field.type() instanceof Referring referring && referring.to().equals(people.key())) {
            ways.add(way("row", now instanceof Operand.OfVisitor));
        }
        if (people != null) {
            people.columns().stream().filter(own -> own.type().getClass().equals(field.type().getClass())
                    && !(own.type() instanceof Referring) && !own.key().equals(people.people())).forEach(own ->
                    ways.add(new Way("of." + own.key(), words.say("form.way.of", own.label()),
                            now instanceof Operand.OfVisitor(var part, var of) && own.key().equals(of))));
        }
        led.stream().filter(each -> each.fits(field)).forEach(each -> ways.add(new Way(LED + each.way(),
                words.say("form.way.led", each.label()), now instanceof Operand.OfRow(FieldKey way) && way.equals(each.way()))));
        return ways;
    }

    /** What can be typed as a fixed value; empty: whatever the field takes. */
    public List<String> options(Field field) {
        return field.type() instanceof Chosen chosen ? chosen.options().stream().map(Chosen.Option::text).toList() : List.of();
    }

    private Way way(String name, boolean chosen) {
        return new Way(name, words.say("form.way." + name), chosen);
    }

    /** What a field is set to. */
    public String said(Field of, Operand value) {
        return switch (value) {
            case Operand.Fixed(Value fixed) -> "“" + words.written(of, fixed) + "”";
            case Operand.OfVisitor(Operand.VisitorPart part, var field) when field != null && people != null
                    && people.fields().has(field) -> words.say("form.way.of", people.field(field).label());
            case Operand.OfVisitor some -> words.say("form.way." + switch (some.part()) {
                case EMAIL -> "email";
                case NAME -> "name";
                case ROW -> "row";
                case FIELD -> "gone";
            });
            case Operand.OfRow(FieldKey way) -> led.stream().filter(each -> each.way().equals(way)).findFirst()
                    .map(each -> words.say("form.way.led", each.label())).orElseGet(() -> words.say("form.way.led-gone"));
            case Operand.OfPage(Operand.PagePart part) -> words.say("form.way."
                    + (part == Operand.PagePart.TITLE ? "page" : "address"));
            default -> words.say("form.way.today");
        };
    }
}
