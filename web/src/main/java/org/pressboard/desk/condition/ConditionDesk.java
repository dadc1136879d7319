package org.pressboard.desk.condition;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Condition;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.grant.Audience;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.words.Words;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.TypedForm;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * What every place of the desk needs that lets a condition be changed: its words, its statements, and what becomes of it.
 */
@Controller
public class ConditionDesk {

    private static final String TEMPLATE = "desk/condition/statements :: ";

    private final Catalog catalog;
    private final RowPicker picker;
    private final MessageSource messages;

    ConditionDesk(Catalog catalog, RowPicker picker, MessageSource messages) {
        this.catalog = catalog;
        this.picker = picker;
        this.messages = messages;
    }

    /** How conditions on the rows of a table are said, with values as the site's language writes them. */
    public ConditionWords words(Tables tables, Table table) {
        return new ConditionWords(desk(), new Words(messages, language()), picker, tables, table);
    }

    /** How grants of a table are said. */
    public GrantWords grantWords(Tables tables, Table table) {
        return new GrantWords(desk(), words(tables, table), table, catalog.groups());
    }

    /** How those are called whom something is given to. */
    public String audience(Audience audience) {
        return GrantWords.audience(audience, catalog.groups(), desk());
    }

    /** The statements of a condition, one of them perhaps just being changed. */
    public Statements statements(Condition condition, Operands operands, Model model) {
        return statements(condition, operands, (Statements.Begun) model.getAttribute("begun"));
    }

    /** The statements of a condition that nobody is changing. */
    public Statements statements(Condition condition, Operands operands) {
        return statements(condition, operands, (Statements.Begun) null);
    }

    private Statements statements(Condition condition, Operands operands, Statements.@Nullable Begun begun) {
        return Statements.of(condition, choices(operands), words(operands.tables(), operands.table()), begun);
    }

    private OperandChoices choices(Operands operands) {
        return new OperandChoices(operands, desk());
    }

    /** What was sent of a statement. */
    public StatementChange sent(Operands operands, MultiValueMap<String, String> parameters) {
        return new StatementChange(choices(operands), parameters, TypedForm.of(language()));
    }

    /** The condition as what was sent changes it; where that lacks something, as it was, and what was begun is shown. */
    private Condition changed(Condition condition, Operands operands, MultiValueMap<String, String> parameters,
            Model model) {
        try {
            return sent(operands, parameters).of(condition, first(parameters, "do"));
        } catch (ProblemsFound against) {
            begun(condition, operands, parameters, model);
            model.addAttribute("problem", desk().say(against.problems().all().getFirst()));
            return condition;
        }
    }

    /** Whoever compares otherwise has yet to say with what: the statement stays as it is until they have. */
    public void begun(Condition condition, Operands operands, MultiValueMap<String, String> parameters,
            Model model) {
        if (first(parameters, "field").isEmpty()) {
            return;
        }
        Clause clause = sent(operands, parameters).begun();
        if (first(parameters, "do").equals("keep.set")) {
            model.addAttribute("begun", new Statements.Begun(first(parameters, "at"), clause));
        } else {
            fresh(condition, operands, clause, model);
        }
    }

    private void fresh(Condition condition, Operands operands, Clause clause, Model model) {
        model.addAttribute("statement", Statements.statement(operands.table().field(clause.field()), clause, choices(operands),
                words(operands.tables(), operands.table())));
        model.addAttribute("groups", Statements.groups(condition));
    }

    /** What is said of a condition that is for nobody while nothing is said. */
    public static Condition said(Condition condition) {
        return condition.equals(Condition.NEVER) ? Condition.ALWAYS : condition;
    }

    /** The condition as what was sent changes it, for nobody while nothing is said. */
    public Condition changedOrNobody(Condition condition, Operands operands,
            MultiValueMap<String, String> parameters, Model model) {
        Condition after = changed(said(condition), operands, parameters, model);
        return after.equals(Condition.ALWAYS) ? Condition.NEVER : after;
    }

    /** The inputs of a statement that is yet to be added to a condition, for the place that changes it. */
    public boolean begin(Condition condition, Operands operands, MultiValueMap<String, String> parameters,
            String place, Model model) {
        if (first(parameters, "field").isEmpty()) {
            return false;
        }
        fresh(condition, operands, sent(operands, parameters).begun(), model);
        model.addAttribute("at", place);
        model.addAttribute("id", first(parameters, "as").matches("[a-z][a-z_-]{0,99}") ? first(parameters, "as") : "keep");
        model.addAttribute("words", desk());
        return true;
    }

    /** The template of these inputs. */
    public static String template(boolean isBegun) {
        return TEMPLATE + (isBegun ? "fresh" : "nothing");
    }

    /** The rows of a table that are called so. */
    @GetMapping("/desk/rows-of/{key}")
    String rowsOf(@PathVariable String key, @RequestParam(defaultValue = "") String called, Model model) {
        Tables tables = catalog.tables();
        Table of = tables.all().stream().filter(each -> each.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
        List<Statements.Item> rows = picker.find(tables, of, called, language()).stream()
                .map(row -> new Statements.Item(row.row().toString(), row.heading())).toList();
        model.addAttribute("rows", rows);
        return TEMPLATE + "rows";
    }

    private Words desk() {
        return Words.ofRequest(messages);
    }

    private Locale language() {
        return catalog.published().site().language();
    }

    /** What was first sent by that name; nothing where nothing was. */
    public static String first(MultiValueMap<String, String> parameters, String name) {
        return Objects.requireNonNullElse(parameters.getFirst(name), "");
    }
}
