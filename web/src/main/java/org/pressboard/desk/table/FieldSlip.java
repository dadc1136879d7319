package org.pressboard.desk.table;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Dependents;
import org.pressboard.schema.Retyping;
import org.pressboard.schema.Sampling;
import org.pressboard.schema.TableChanges;
import org.pressboard.words.Words;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
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

/** One field, opened over the list of them: made, described, and given another kind. */
@Controller
class FieldSlip {

    private static final String FIELDS = FieldList.AT;

    private final TableFrame frame;
    private final FieldList list;
    private final TableChanges changes;
    private final Dependents dependents;
    private final Sampling sampling;
    private final FreshFields fresh;

    FieldSlip(TableFrame frame, FieldList list, TableChanges changes, Dependents dependents, Sampling sampling,
            FreshFields fresh) {
        this.fresh = fresh;
        this.frame = frame;
        this.list = list;
        this.changes = changes;
        this.dependents = dependents;
        this.sampling = sampling;
    }

    /** The first rows with what a computed field comes to in them. */
    public record SampleLine(String called, String value) {
    }

    @GetMapping(FIELDS + "/new")
    String begin(@PathVariable String key, @RequestParam(defaultValue = "TEXT") String kind, Model model) {
        Table table = list.show(key, model);
        slip(table, null, FieldForm.fresh(FieldForm.kind(kind).orElse(FieldKind.TEXT)), model);
        return "desk/table/fields";
    }

    @GetMapping(FIELDS + "/{field}")
    String open(@PathVariable String key, @PathVariable String field, Model model) {
        Table table = list.show(key, model);
        Field found = FieldList.find(table, field);
        slip(table, found, FieldForm.of(found, frame.siteWords()), model);
        return "desk/table/fields";
    }

    /** What a new row may begin with there; of a field that is not there yet, by its kind. */
    private List<OperandChoices.Item> starts(Tables tables, Table table, @Nullable Field field, FieldForm form) {
        Optional<FieldType> type = field == null ? form.kind().type(new LinkedMultiValueMap<>(form.sent()), List.of(), tables)
                : Optional.of(field.type());
        return form.kind().isComputed() ? List.of() : type.map(of -> new OperandChoices(new Operands(tables, table, Operands.Use.START),
                frame.words())
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
        Field existing = field.map(name -> FieldList.find(table, name)).orElse(null);
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
                () -> {
                    Field added = fresh.add(visit, table, java.util.Objects.requireNonNull(form.field()));
                    flash.addFlashAttribute("offers", fresh.offers(table, added));
                    flash.addFlashAttribute("offersOf", frame.words().say("desk.field.show-it", added.label()));
                });
    }

    @PostMapping(FIELDS + "/{field}")
    String change(Visit visit, @PathVariable String key, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = frame.find(key);
        Field existing = FieldList.find(table, field);
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
                list.tell(table, flash, "desk.field.kept", java.util.Objects.requireNonNull(form.field()).label());
                return FieldList.back(table);
            } catch (ProblemsFound found) {
                Problem problem = found.problems().all().getFirst();
                shown = form.wrong("", frame.words().say(problem));
            }
        }
        list.show(table.key().name(), model);
        slip(table, existing, shown, model);
        return "desk/table/fields";
    }

    /** What would become of the values with another kind, before anything is changed. */
    @GetMapping(FIELDS + "/{field}/kind")
    String preview(@PathVariable String key, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model, RedirectAttributes flash) {
        Table table = list.show(key, model);
        Field found = FieldList.find(table, field);
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
        Field found = FieldList.find(table, field);
        FieldKind kind = FieldForm.kind(String.valueOf(parameters.getFirst("kind"))).orElse(FieldKind.TEXT);
        Optional<FieldType> type = kind.type(parameters, List.of(), frame.tables());
        return type.isEmpty() ? FieldList.back(table) : list.trying(table, flash, "desk.field.retyped",
                () -> changes.retype(table.key(), found.key(), type.get(), parameters.containsKey("makeMissing"),
                        visit.author()));
    }
}
