package org.pressboard.desk.table;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Currencies;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.springframework.util.MultiValueMap;

/** The kinds of field as the desk offers them, in the order in which people look for them. */
enum FieldKind {

    TEXT, LONG_TEXT, FORMATTED_TEXT, WHOLE_NUMBER, DECIMAL, MONEY, PERCENT, RATING, YES_NO, DATE, DATE_TIME, TIME,
    CHOICE, CHOICES, EMAIL, LINK, PHONE, PICTURE, PICTURES, FILE, REFERENCE, REFERENCES, PERSON, BORROWED, TALLY,
    COMPOSED, NOTED;

    private static final int MOST_DIGITS = 10;
    private static final int USUAL_MARKS = 5;

    static FieldKind of(Field field) {
        return switch (field.computed()) {
            case null -> of(field.type());
            case Computed.Borrowed borrowed -> BORROWED;
            case Computed.Tally tally -> TALLY;
            case Computed.Composed composed -> COMPOSED;
            case Computed.Noted noted -> NOTED;
        };
    }

    private static FieldKind of(FieldType type) {
        return switch (type) {
            case Textual.Text text -> TEXT;
            case Textual.LongText text -> LONG_TEXT;
            case Textual.FormattedText text -> FORMATTED_TEXT;
            case Textual.Email email -> EMAIL;
            case Textual.Link link -> LINK;
            case Textual.Phone phone -> PHONE;
            case Numeric.WholeNumber number -> WHOLE_NUMBER;
            case Numeric.Decimal number -> DECIMAL;
            case Numeric.Money money -> MONEY;
            case Numeric.Percent percent -> PERCENT;
            case Numeric.Rating rating -> RATING;
            case FieldType.YesNo yesNo -> YES_NO;
            case Temporal.Date date -> DATE;
            case Temporal.DateTime moment -> DATE_TIME;
            case Temporal.TimeOfDay time -> TIME;
            case Chosen.Choice choice -> CHOICE;
            case Chosen.Choices choices -> CHOICES;
            case Referring.Reference reference -> REFERENCE;
            case Referring.References references -> REFERENCES;
            case Referring.Person person -> PERSON;
            case Attached.Picture picture -> PICTURE;
            case Attached.Pictures pictures -> PICTURES;
            case Attached.File file -> FILE;
        };
    }

    public boolean isComputed() {
        return this == BORROWED || this == TALLY || this == COMPOSED || this == NOTED;
    }

    /** Whether what it shows comes from rows of another table, which not all may see who see the row. */
    public boolean comesFromRows() {
        return this == REFERENCE || this == REFERENCES || this == PERSON || this == BORROWED;
    }

    public boolean isChosen() {
        return this == CHOICE || this == CHOICES;
    }

    public boolean isText() {
        return this == TEXT || this == LONG_TEXT || this == PHONE || this == EMAIL || this == LINK;
    }

    public boolean hasRange() {
        return switch (this) {
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT, RATING, DATE, DATE_TIME, TIME -> true;
            case TEXT, LONG_TEXT, FORMATTED_TEXT, YES_NO, CHOICE, CHOICES, EMAIL, LINK, PHONE, PICTURE, PICTURES, FILE, REFERENCE, REFERENCES,
                    PERSON, BORROWED, TALLY, COMPOSED, NOTED -> false;
        };
    }

    public boolean hasUnit() {
        return this == WHOLE_NUMBER || this == DECIMAL || this == TALLY;
    }

    public boolean hasDigits() {
        return this == DECIMAL || this == PERCENT;
    }

    /** Whether no two rows can be asked to have different values. */
    public boolean cannotDiffer() {
        return switch (this) {
            case LONG_TEXT, FORMATTED_TEXT, RATING, YES_NO, CHOICES, PICTURE, PICTURES, FILE, REFERENCES, BORROWED, TALLY, COMPOSED, NOTED -> true;
            case TEXT, WHOLE_NUMBER, DECIMAL, MONEY, PERCENT, DATE, DATE_TIME, TIME, CHOICE, EMAIL, LINK, PHONE, REFERENCE, PERSON -> false;
        };
    }

    /** The type with what was sent of its details; of a choice, with the options given; empty where some are missing. */
    Optional<FieldType> type(MultiValueMap<String, String> sent, java.util.List<Chosen.Option> options, Tables tables) {
        return Optional.ofNullable(typeOrNull(sent, options, tables));
    }

    private @Nullable FieldType typeOrNull(MultiValueMap<String, String> sent, java.util.List<Chosen.Option> options,
            Tables tables) {
        return switch (this) {
            case TEXT, BORROWED, TALLY, COMPOSED, NOTED -> new Textual.Text();
            case LONG_TEXT -> new Textual.LongText();
            case FORMATTED_TEXT -> new Textual.FormattedText();
            case EMAIL -> new Textual.Email();
            case LINK -> new Textual.Link();
            case PHONE -> new Textual.Phone();
            case WHOLE_NUMBER -> new Numeric.WholeNumber(!sent.containsKey("ungrouped"));
            case DECIMAL -> new Numeric.Decimal(number(sent, "digits", 0, MOST_DIGITS, 2));
            case MONEY -> money(sent.getFirst("currency"));
            case PERCENT -> new Numeric.Percent(number(sent, "digits", 0, MOST_DIGITS, 1));
            case RATING -> new Numeric.Rating(number(sent, "marks", 2, MOST_DIGITS, USUAL_MARKS));
            case YES_NO -> new FieldType.YesNo();
            case DATE -> new Temporal.Date();
            case DATE_TIME -> new Temporal.DateTime();
            case TIME -> new Temporal.TimeOfDay();
            case CHOICE -> new Chosen.Choice(options);
            case CHOICES -> new Chosen.Choices(options);
            case PICTURE -> new Attached.Picture();
            case PICTURES -> new Attached.Pictures();
            case FILE -> new Attached.File();
            case REFERENCES -> target(sent, tables).map(to -> new Referring.References(to, onRemoval(sent))).orElse(null);
            case REFERENCE -> target(sent, tables).map(to -> new Referring.Reference(to, onRemoval(sent))).orElse(null);
            case PERSON -> tables.people().map(people -> new Referring.Person(people, onRemoval(sent))).orElse(null);
        };
    }

    private static Optional<TableKey> target(MultiValueMap<String, String> sent, Tables tables) {
        return tables.all().stream().map(Table::key).filter(key -> key.name().equals(sent.getFirst("to"))).findFirst();
    }

    private static FieldType money(@Nullable String currency) {
        return new Numeric.Money(currency != null && Currencies.ALL.contains(currency) ? currency : Currencies.USUAL);
    }

    private static Referring.OnRemoval onRemoval(MultiValueMap<String, String> sent) {
        for (Referring.OnRemoval each : Referring.OnRemoval.values()) {
            if (each.name().equals(sent.getFirst("onRemoval"))) {
                return each;
            }
        }
        return Referring.OnRemoval.REFUSE;
    }

    private static int number(MultiValueMap<String, String> sent, String name, int least, int most, int usual) {
        String text = String.valueOf(sent.getFirst(name)).strip();
        return text.matches("\\d{1,3}") ? Math.clamp(Integer.parseInt(text), least, most) : usual;
    }
}
