package org.pressboard.desk.bench;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.form.Stamp;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.CardFace;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Layout;
import org.pressboard.listing.Listing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.Paper;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.Sending;
import org.pressboard.listing.Show;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.StateAddress;
import org.pressboard.listing.Suggestion;
import org.pressboard.listing.TakeAway;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Format;
import org.pressboard.words.Typed;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/** One thing that somebody changes on a ticket, as the bench sends it: what, and with what. */
final class ListingChange {

    private static final int MOST_DEEDS = 5;

    private final Table table;
    private final OperandChoices buttons;
    private final List<Sending> sendable;
    private final MultiValueMap<String, String> sent;

    /**
     * @param buttons  what a button can set a field to
     * @param sendable the forms that can be sent about a row
     */
    ListingChange(Table table, OperandChoices buttons, List<Sending> sendable, MultiValueMap<String, String> sent) {
        this.table = table;
        this.buttons = buttons;
        this.sendable = List.copyOf(sendable);
        this.sent = sent;
    }

    /** @throws ProblemsFound when it cannot be so */
    Listing of(Listing listing, String what) {
        return switch (what.substring(0, Math.max(0, what.indexOf('.')))) {
            case "show" -> listing.shown().isEmpty() ? listing : show(listing, what);
            case "cards" -> listing.with(listing.show().laidOut(layout -> cards(layout, what)));
            case "let" -> let(listing, what);
            case "order" -> listing.with(order(listing.ordering(), what));
            case "open" -> listing.with(opening(listing.opening(), what));
            case "change" -> changing(listing, what);
            case "dress" -> listing.with(dress(listing.dress(), what));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Listing changing(Listing listing, String what) {
        Changing changing = listing.changing();
        return switch (what) {
            case "change.what" -> listing.with(changing.with(has("add"), has("change"), has("remove")));
            case "change.several" -> listing.with(changing.severally(has("value")));
            case "change.in-slip" -> listing.with(changing.inSlip(has("value")));
            case "change.in-place" -> listing.with(changing.inPlace(has("value")));
            case "change.deed" -> listing.with(changing.doing(withDeed(changing.deeds())));
            case "change.deed-off" -> listing.with(changing.doing(changing.deeds().stream()
                    .filter(deed -> !deed.label().equals(first("label"))).toList()));
            case "change.sending" -> listing.with(changing.sending(sendings()));
            case "change.fields" -> listing.with(changing.filling(keys("field")));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Listing show(Listing listing, String what) {
        Show show = listing.show();
        return switch (what) {
            case "show.layout" -> listing.with(show.in(choice(LayoutKind.class, "value")));
            case "show.add" -> Suggestion.adding(listing, field());
            case "show.hide" -> {
                if (show.fields().size() == 1) {
                    throw ProblemsFound.of("bench.last-field");
                }
                yield listing.with(show.without(field().key())).with(listing.opening().keeping(show.fields()));
            }
            case "show.totals" -> listing.with(show.totalling(keys("field")));
            case "show.order" -> listing.with(show.ordered(keys("field")));
            case "show.label" -> listing.with(show.changing(field().key(), this::labelled));
            case "show.look" -> listing.with(show.changing(field().key(), this::looking));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    /** What it is called anyway is not said again, so that it follows when that changes. */
    private Shown labelled(Shown shown) {
        String label = text("label", Field.LONGEST_LABEL);
        return shown.labelled(label.equals(table.field(shown.field()).label()) ? "" : label);
    }

    private Shown looking(Shown shown) {
        String digits = first("digits");
        Format format = Format.USUAL
                .withDigits(digits.matches("\\d{1,2}") ? Math.min(Integer.parseInt(digits), Format.MOST_DIGITS) : null)
                .bare(has("bare")).with(choice(Format.Days.class, "days")).with(choice(Format.Letters.class, "letters"))
                .with(choice(Format.Amounts.class, "amounts")).linkText(text("linkText", Format.LONGEST_TEXT))
                .with(choice(Format.Pictures.class, "pictures")).figures(has("figures")).whole(has("whole"));
        String between = first("between");
        return shown.with(choice(Shown.Width.class, "width")).with(choice(Shown.Align.class, "align"))
                .with(between.isEmpty() ? format : format.between(between.substring(0, Math.min(5, between.length()))));
    }

    private Layout cards(Layout layout, String what) {
        return switch (what) {
            case "cards.across" -> layout instanceof Layout.AsCards cards
                    ? cards.across(number("value", 1, Layout.AsCards.MOST_ACROSS, cards.across())) : layout;
            case "cards.picture" -> layout.facing(face -> face.with(choice(CardFace.PicturePlace.class, "value")));
            case "cards.labels" -> layout.facing(face -> face.labelled(has("value")));
            case "cards.tags" -> layout.facing(face -> face.tagging(keys("field")));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Listing let(Listing listing, String what) {
        Finding find = listing.find();
        return switch (what) {
            case "let.search" -> listing.with(find.searching(keys("field")));
            case "let.hint" -> listing.with(find.hinting(text("hint", Finding.LONGEST_HINT)));
            case "let.narrow" -> listing.with(find.narrowing(keys("field")));
            case "let.control" -> listing.with(find.changing(field().key(), control -> control.by(
                    choice(NarrowBy.ControlKind.class, "way"), has("one"), has("distribution"))));
            case "let.paper" -> listing.on(new Paper(choice(Paper.Size.class, "size"), has("across")));
            case "let.form" -> Suggestion.asking(listing, table.fields(), choice(Finding.SearchForm.class, "value"));
            case "let.start" -> starting(listing);
            case "let.sort" -> listing.with(find.sorting(has("value")));
            case "let.take-away" -> listing.takenAwayAs(formats());
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    /** Searched and narrowed from the start as the proof is now. */
    private Listing starting(Listing listing) {
        MultiValueMap<String, String> asked = new LinkedMultiValueMap<>();
        String prefix = listing.key() + "~";
        UriComponentsBuilder.newInstance().query(first("state").replaceFirst("^\\?", "")).build().getQueryParams()
                .forEach((name, values) -> asked.put(decoded(name).replaceFirst("^" + prefix, ""),
                        values.stream().map(ListingChange::decoded).toList()));
        RequestState state = new StateAddress(listing, table, AddressPart.of(listing.key(), Set.of(listing.key()), asked))
                .read().state();
        Finding find = listing.find().starting(state.search());
        for (FieldKey field : listing.find().narrow()) {
            find = find.changing(field, control -> control.startingWith(state.narrowingOf(field)));
        }
        return listing.with(find);
    }

    private static String decoded(@Nullable String part) {
        return part == null ? "" : UriUtils.decode(part.replace('+', ' '), StandardCharsets.UTF_8);
    }

    private Set<TakeAway> formats() {
        Set<TakeAway> formats = EnumSet.noneOf(TakeAway.class);
        Arrays.stream(TakeAway.values()).filter(each -> sent.getOrDefault("format", List.of()).contains(each.name()))
                .forEach(formats::add);
        return formats;
    }

    private Ordering order(Ordering ordering, String what) {
        return switch (what) {
            case "order.by" -> ordering.ordered(sorts());
            case "order.choice" -> ordering.choosing(has("value"));
            case "order.more" -> ordering.adding(first("value").equals("MORE"));
            case "order.size" -> ordering.paged(Listing.PAGE_SIZES.stream().filter(size -> first("value")
                    .equals(String.valueOf(size))).findFirst().orElse(ordering.pageSize()));
            case "order.limit" -> ordering.limitedTo(first("value").isEmpty() ? 0
                    : number("value", 1, Ordering.HIGHEST_LIMIT, ordering.limit()));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private List<SortBy> sorts() {
        List<SortBy> sorts = new ArrayList<>();
        for (String each : sent.getOrDefault("sort", List.of())) {
            String name = each.replaceFirst("^-", "");
            table.fields().stream().filter(field -> field.key().name().equals(name) && field.type().isSortable())
                    .filter(field -> sorts.stream().noneMatch(sort -> sort.field().equals(field.key()))).findFirst()
                    .ifPresent(field -> sorts.add(new SortBy(field.key(), each.startsWith("-"))));
        }
        return sorts.stream().limit(Ordering.MOST_FIELDS).toList();
    }

    /** The fields ticked for an opened row, each looking as it did there. */
    private List<Shown> opened(Opening opening) {
        List<FieldKey> ticked = keys("field");
        if (ticked.isEmpty()) {
            throw ProblemsFound.of("bench.last-opened");
        }
        return ticked.stream().map(key -> opening.fields().stream().filter(look -> look.field().equals(key)).findFirst()
                .orElseGet(() -> Shown.usual(key))).toList();
    }

    private Opening opening(Opening opening, String what) {
        return switch (what) {
            case "open.how" -> opening.by(choice(Opening.How.class, "value"));
            case "open.button" -> opening.withButton(text("text", Opening.LONGEST_BUTTON));
            case "open.fields" -> opening.showing(opened(opening));
            case "open.as-list" -> opening.showing(List.of());
            case "open.link" -> opening.leadingTo(keys("value").stream().findFirst().orElse(null));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Dress dress(Dress dress, String what) {
        return switch (what) {
            case "dress.density" -> dress.with(choice(Dress.Density.class, "value"));
            case "dress.stripes" -> dress.with(choice(Dress.Stripes.class, "value"));
            case "dress.rules" -> dress.with(choice(Dress.Rules.class, "value"));
            case "dress.marks" -> dress.marking(new MarkChange(sent).changing(dress.marks()));
            case "dress.unmark" -> dress.marking(new MarkChange(sent).without(dress.marks()));
            case "dress.title" -> dress.titled(text("text", Dress.LONGEST_TITLE));
            case "dress.lead" -> dress.leading(text("text", Dress.LONGEST_LEAD));
            case "dress.nothing" -> dress.sayingOfNothing(text("text", Dress.LONGEST_LEAD));
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Field field() {
        return table.fields().stream().filter(each -> each.key().name().equals(first("field"))).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bench.no-field"));
    }

    private List<FieldKey> keys(String name) {
        List<String> wanted = sent.getOrDefault(name, List.of());
        return wanted.stream().distinct().flatMap(each -> table.fields().stream().map(Field::key)
                .filter(key -> key.name().equals(each))).toList();
    }

    private <E extends Enum<E>> E choice(Class<E> of, String name) {
        E[] all = of.getEnumConstants();
        return Arrays.stream(all).filter(each -> each.name().equals(first(name))).findFirst().orElse(all[0]);
    }

    private int number(String name, int least, int most, int otherwise) {
        String text = first(name).strip();
        return text.matches("\\d{1,4}") ? Math.clamp(Integer.parseInt(text), least, most) : otherwise;
    }

    private List<Sending> sendings() {
        List<String> chosen = sent.getOrDefault("sends", List.of());
        return sendable.stream().filter(each -> chosen.contains(each.form())).toList();
    }

    /** A button that gives a field a value, or one more to a button of the same words; where that is so already, it is not offered. */
    private List<Deed> withDeed(List<Deed> deeds) {
        String label = text("label", Deed.LONGEST_LABEL);
        Operand value = buttons.set(field(), first("value"), first("text")).orElse(null);
        if (label.isEmpty() || value == null) {
            throw ProblemsFound.of(label.isEmpty() ? "bench.deed-label" : "bench.no-value", field().label());
        }
        List<Stamp> gives = new ArrayList<>(deeds.stream().filter(deed -> deed.label().equals(label))
                .flatMap(deed -> deed.gives().stream()).filter(stamp -> !stamp.field().equals(field().key())).toList());
        gives.add(new Stamp(field().key(), value));
        Condition when = Condition.any(gives.stream().map(ListingChange::isNotSo).toList());
        List<Deed> more = new ArrayList<>(deeds.stream().filter(deed -> !deed.label().equals(label)).toList());
        more.add(new Deed(label, when, gives));
        if (more.size() > MOST_DEEDS) {
            throw ProblemsFound.of("bench.many-deeds", MOST_DEEDS);
        }
        return more;
    }

    private static Condition isNotSo(Stamp stamp) {
        Condition empty = Condition.isEmpty(stamp.field());
        return stamp.value() instanceof Operand.Fixed ? Condition.any(List.of(empty,
                new Condition.Compare(stamp.field(), Operator.DIFFERS, stamp.value()))) : empty;
    }

    private boolean has(String name) {
        return sent.containsKey(name);
    }

    private String first(String name) {
        return Optional.ofNullable(sent.getFirst(name)).orElse("");
    }

    private String text(String name, int longest) {
        return Typed.within(first(name), longest);
    }
}
