package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Dependents;
import org.pressboard.schema.Retyping;
import org.pressboard.schema.Sampling;
import org.pressboard.schema.TableChanges;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Operands;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The fields of a table: what there is, in which order, and one opened over the list to be described. */
@Controller
class TableFields {

    private static final String FIELDS = "/desk/tables/{key}/fields";
    private static final int LONGEST_DESCRIPTION = 500;

    private final TableFrame frame;
    private final UnseenFields unseen;
    private final TableChanges changes;
    private final Dependents dependents;
    private final Sampling sampling;
    private final Acts acts;

    TableFields(TableFrame frame, TableChanges changes, Dependents dependents, Sampling sampling, Acts acts, UnseenFields unseen) {
        this.unseen = unseen;
        this.frame = frame;
        this.changes = changes;
        this.dependents = dependents;
        this.sampling = sampling;
        this.acts = acts;
    }

    /** A field as the tab lists it. */
    public record FieldLine(String key, String label, String kind, List<String> marks, String help) {
    }

    /** The first rows with what a computed field comes to in them. */
    public record SampleLine(String called, String value) {
    }

    @GetMapping(FIELDS)
    String fields(@PathVariable String key, Model model) {
        show(key, model);
        return "desk/table/fields";
    }

    private Table show(String key, Model model) {
        Table table = frame.show(key, "fields", model);
        model.addAttribute("lines", table.fields().stream().map(field -> line(table, field)).toList());
        model.addAttribute("kinds", List.of(FieldKind.values()));
        model.addAttribute("referring", frame.tables().referringTo(table.key()));
        model.addAttribute("emails", table.entered().stream()
                .filter(field -> field.type() instanceof Textual.Email && field.rules().unique()).toList());
        model.addAttribute("keys", table.entered().stream().filter(field -> field.rules().unique()).toList());
        return table;
    }

    private FieldLine line(Table table, Field field) {
        Words words = frame.words();
        List<String> marks = new ArrayList<>();
        if (field.rules().required()) {
            marks.add(words.say("desk.field.required"));
        }
        if (field.rules().unique()) {
            marks.add(words.say("desk.field.unique"));
        }
        if (field.hidden()) {
            marks.add(words.say("desk.field.hidden"));
        }
        unseen.of(frame.site(), table, field).map(UnseenFields.Unseen::said).ifPresent(marks::add);
        if (table.headingField().filter(field::equals).isPresent()) {
            marks.add(words.say("desk.field.heading"));
        }
        return new FieldLine(field.key().name(), field.label(), kind(field), marks, field.help());
    }


    private String kind(Field field) {
        Words words = frame.words();
        String kind = words.say("kind." + FieldKind.of(field));
        return switch (field.computed()) {
            case null -> field.type() instanceof Referring referring
                    ? kind + ": " + frame.tables().get(referring.to()).label() : kind;
            case Computed.Borrowed borrowed -> kind + ": " + source(field, borrowed);
            case Computed.Tally tally -> kind + ": " + words.say("measure." + tally.measure()) + ", "
                    + frame.tables().get(tally.table()).label();
            case Computed.Composed composed -> kind;
            case Computed.Noted noted -> kind + ": " + words.say("noted." + noted.what());
        };
    }

    private String source(Field field, Computed.Borrowed borrowed) {
        return frame.tables().all().stream().filter(table -> table.fields().find(field.key()).filter(field::equals)
                .isPresent()).findFirst().map(table -> frame.tables().source(table, borrowed))
                .map(from -> from.from().label() + " → " + from.by().label()).orElse("");
    }

    /** What the table itself is called and is, and by what its rows are known. */
    @PostMapping("/desk/tables/{key}/about")
    String about(Visit visit, @PathVariable String key, @RequestParam String label, @RequestParam String description,
            @RequestParam(defaultValue = "") String heading, @RequestParam(defaultValue = "") String rowKey,
            @RequestParam(defaultValue = "") String people, RedirectAttributes flash) {
        Table table = frame.find(key);
        String name = label.strip();
        if (name.isEmpty() || name.length() > Table.LONGEST_LABEL || description.length() > LONGEST_DESCRIPTION) {
            flash.addFlashAttribute("problem", frame.words().say("desk.table.no-name"));
            return back(table);
        }
        boolean isTaken = !people.isEmpty() && frame.tables().people()
                .filter(other -> !other.equals(table.key())).isPresent();
        if (isTaken) {
            flash.addFlashAttribute("problem", frame.words().say("desk.table.other-people"));
            return back(table);
        }
        Table named = table.labelled(name, description.strip())
                .knownBy(chosen(table, heading), chosen(table, rowKey), chosen(table, people));
        return trying(table, flash, "desk.table.changed", () -> changes.change(named, visit.author()));
    }

    private static @Nullable FieldKey chosen(Table table, String name) {
        return table.fields().stream().map(Field::key).filter(key -> key.name().equals(name)).findFirst().orElse(null);
    }

    /** The order of the fields, as they were dragged or moved. */
    @PostMapping(FIELDS + "/order")
    String order(Visit visit, @PathVariable String key, @RequestParam List<String> field, RedirectAttributes flash) {
        Table table = frame.find(key);
        List<Field> ordered = new ArrayList<>(field.stream().distinct().flatMap(name -> table.fields().stream()
                .filter(each -> each.key().name().equals(name))).toList());
        table.fields().stream().filter(each -> !ordered.contains(each)).forEach(ordered::add);
        return trying(table, flash, "desk.fields.ordered",
                () -> changes.change(table.with(new Fields(ordered)), visit.author()));
    }

    @GetMapping(FIELDS + "/new")
    String begin(@PathVariable String key, @RequestParam(defaultValue = "TEXT") String kind, Model model) {
        Table table = show(key, model);
        slip(table, null, FieldForm.fresh(FieldForm.kind(kind).orElse(FieldKind.TEXT)), model);
        return "desk/table/fields";
    }

    @GetMapping(FIELDS + "/{field}")
    String open(@PathVariable String key, @PathVariable String field, Model model) {
        Table table = show(key, model);
        Field found = find(table, field);
        slip(table, found, FieldForm.of(found, frame.siteWords()), model);
        return "desk/table/fields";
    }

    private static Field find(Table table, String name) {
        return table.fields().stream().filter(each -> each.key().name().equals(name)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.field"));
    }

    /** What a new row may begin with there; of a field that is not there yet, by its kind. */
    private List<OperandChoices.Choice> starts(Tables tables, Table table, @Nullable Field field, FieldForm form) {
        Optional<FieldType> type = field == null ? form.kind().type(new LinkedMultiValueMap<>(form.sent()), List.of(), tables) : Optional.of(field.type());
        return form.kind().isComputed() ? List.of() : type.map(of -> new OperandChoices(new Operands(tables, table, Operands.Place.START), frame.words())
                .of(field == null ? new Field(new FieldKey("fresh"), "Fresh", of) : field, null)).orElse(List.of());
    }

    private void slip(Table table, @Nullable Field field, FieldForm form, Model model) {
        Tables tables = frame.tables();
        model.addAttribute("field", field);
        model.addAttribute("form", form);
        model.addAttribute("starts", starts(tables, table, field, form));
        model.addAttribute("targets", tables.all());
        model.addAttribute("borrowable", form.kind() == FieldKind.BORROWED
                ? ComputedChoices.borrowable(tables, table) : List.of());
        model.addAttribute("tallied", form.kind() == FieldKind.TALLY ? ComputedChoices.tallied(tables, table) : List.of());
        model.addAttribute("measures", List.of(Computed.Measure.values()));
        model.addAttribute("floors", table.entered().stream().filter(each -> each.type().isNumber()).toList());
        model.addAttribute("pieces", table.fields().stream().filter(each -> !each.equals(field)).toList());
        Optional<Table> over = tables.all().stream().filter(each -> form.text("of").startsWith(each.key() + "/")).findFirst();
        model.addAttribute("tallyTable", over.orElse(null));
        model.addAttribute("days", over.stream().flatMap(each -> each.fields().stream())
                .filter(each -> each.type() instanceof Temporal).map(each -> each.key().name()).collect(Collectors.toSet()));
        if (field != null) {
            model.addAttribute("uses", dependents.of(table.key(), field.key()));
            model.addAttribute("otherKinds", List.of(FieldKind.values()).stream()
                    .filter(kind -> !kind.isComputed() && kind != FieldKind.of(field)
                            && (kind != FieldKind.PERSON || tables.people().isPresent())).toList());
        }
        sample(table, form, model);
    }

    private void sample(Table table, FieldForm form, Model model) {
        if (!form.kind().isComputed() || form.field() == null) {
            return;
        }
        Words site = frame.siteWords();
        try {
            Sampling.Result result = sampling.of(frame.tables(), table.key(), form.field());
            model.addAttribute("samples", result.rows().stream().map(row -> new SampleLine(
                    orDash(table.headingField().map(heading -> site.written(table, heading, row)).orElse("")),
                    orDash(site.written(result.table(), result.field(), row)))).toList());
        } catch (ProblemsFound found) {
            model.addAttribute("sampleProblem", frame.words().say(found.problems().all().getFirst()));
        }
    }

    private static String orDash(String text) {
        return text.isEmpty() ? "–" : text;
    }

    /** The slip with what was chosen so far, and what it comes to. */
    @PostMapping({FIELDS + "/new/look", FIELDS + "/{field}/look"})
    String look(@PathVariable String key, @PathVariable Optional<String> field,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Table table = frame.show(key, "fields", model);
        Field existing = field.map(name -> find(table, name)).orElse(null);
        FieldForm form = FieldForm.sent(frame.tables(), table, existing, parameters, frame.siteWords(), frame.words());
        model.addAttribute("kinds", List.of(FieldKind.values()));
        slip(table, existing, new FieldForm(form.kind(), form.sent(), form.field(), form.renamed(),
                java.util.Map.of()), model);
        return "desk/table/field :: slip";
    }

    @PostMapping(FIELDS + "/new")
    String add(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model,
            RedirectAttributes flash) {
        Table table = frame.find(key);
        FieldForm form = FieldForm.sent(frame.tables(), table, null, parameters, frame.siteWords(), frame.words());
        return keep(table, null, form, model, flash,
                () -> changes.addField(table.key(), java.util.Objects.requireNonNull(form.field()), visit.author()));
    }

    @PostMapping(FIELDS + "/{field}")
    String change(Visit visit, @PathVariable String key, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = frame.find(key);
        Field existing = find(table, field);
        FieldForm form = FieldForm.sent(frame.tables(), table, existing, parameters, frame.siteWords(), frame.words());
        return keep(table, existing, form, model, flash, () -> changes.changeOptions(table.key(),
                java.util.Objects.requireNonNull(form.field()), form.renamed(), visit.author()));
    }

    private String keep(Table table, @Nullable Field existing, FieldForm form, Model model, RedirectAttributes flash,
            Runnable change) {
        FieldForm shown = form;
        if (form.isRight()) {
            try {
                change.run();
                tell(table, flash, "desk.field.kept", java.util.Objects.requireNonNull(form.field()).label());
                return back(table);
            } catch (ProblemsFound found) {
                Problem problem = found.problems().all().getFirst();
                shown = form.wrong("", frame.words().say(problem));
            }
        }
        show(table.key().name(), model);
        slip(table, existing, shown, model);
        return "desk/table/fields";
    }

    private void tell(Table table, RedirectAttributes flash, String code, Object... details) {
        Long act = acts.latest(table.key(), null, 1).stream().filter(each -> each.details().after() != null)
                .map(Act::id).findFirst().orElse(null);
        frame.tell(flash, act, code, details);
    }

    /** What would become of the values with another kind, before anything is changed. */
    @GetMapping(FIELDS + "/{field}/kind")
    String preview(@PathVariable String key, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = show(key, model);
        Field found = find(table, field);
        FieldKind kind = FieldForm.kind(String.valueOf(parameters.getFirst("kind"))).orElse(FieldKind.TEXT);
        slip(table, found, FieldForm.of(found, frame.siteWords()), model);
        model.addAttribute("newKind", kind);
        model.addAttribute("details", new FieldForm(kind, new LinkedMultiValueMap<>(parameters), null,
                java.util.Map.of(), java.util.Map.of()));
        Optional<FieldType> type = kind.type(parameters, List.of(), frame.tables());
        if (type.isPresent()) {
            try {
                Retyping.Preview preview = changes.preview(table.key(), found.key(), type.get());
                model.addAttribute("preview", preview);
            } catch (ProblemsFound problem) {
                model.addAttribute("sampleProblem", frame.words().say(problem.problems().all().getFirst()));
            }
        }
        return "desk/table/fields";
    }

    @PostMapping(FIELDS + "/{field}/kind")
    String retype(Visit visit, @PathVariable String key, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, RedirectAttributes flash) {
        Table table = frame.find(key);
        Field found = find(table, field);
        FieldKind kind = FieldForm.kind(String.valueOf(parameters.getFirst("kind"))).orElse(FieldKind.TEXT);
        Optional<FieldType> type = kind.type(parameters, List.of(), frame.tables());
        return type.isEmpty() ? back(table) : trying(table, flash, "desk.field.retyped",
                () -> changes.retype(table.key(), found.key(), type.get(), parameters.containsKey("makeMissing"),
                        visit.author()));
    }

    /** Asks for the field's name where values would go. */
    @PostMapping(FIELDS + "/{field}/remove")
    String remove(Visit visit, @PathVariable String key, @PathVariable String field, @RequestParam(defaultValue = "") String typed,
            RedirectAttributes flash) {
        Table table = frame.find(key);
        Field found = find(table, field);
        boolean losesValues = dependents.of(table.key(), found.key()).values() > 0;
        if (losesValues && !typed.strip().equals(found.label())) {
            flash.addFlashAttribute("problem", frame.words().say("desk.remove.type-name", found.label()));
            return back(table) + "/" + field;
        }
        return trying(table, flash, "desk.field.removed",
                () -> changes.removeField(table.key(), found.key(), visit.author()));
    }

    @PostMapping(FIELDS + "/put-back")
    String putBack(Visit visit, @PathVariable String key, @RequestParam long removed, RedirectAttributes flash) {
        Table table = frame.find(key);
        return trying(table, flash, "desk.field.put-back",
                () -> changes.putBackField(table.key(), removed, visit.author()));
    }

    private String trying(Table table, RedirectAttributes flash, String code, Runnable work) {
        try {
            work.run();
            tell(table, flash, code);
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
        }
        return back(table);
    }

    private static String back(Table table) {
        return "redirect:/desk/tables/" + table.key() + "/fields";
    }
}
