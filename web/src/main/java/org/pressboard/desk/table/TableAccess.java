package org.pressboard.desk.table;

import org.pressboard.catalog.Catalog;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who may do what with the rows of a table, where it is used, and whether it stays. */
@Controller
class TableAccess {

    private final TableFrame frame;
    private final Catalog catalog;
    private final GrantGrid grants;
    private final TableChanges changes;
    private final Rows rows;

    TableAccess(TableFrame frame, Catalog catalog, GrantGrid grants, TableChanges changes, Rows rows) {
        this.frame = frame;
        this.catalog = catalog;
        this.grants = grants;
        this.changes = changes;
        this.rows = rows;
    }

    @GetMapping("/desk/tables/{key}/access")
    String access(Visit visit, @PathVariable String key, Model model) {
        Table table = frame.show(key, "access", model);
        grants.show(table, model);
        model.addAttribute("pages", catalog.pages().values().stream().filter(page -> page.lists(table.key())).toList());
        model.addAttribute("referring", frame.tables().referringTo(table.key()));
        model.addAttribute("rows", rows(visit, table));
        return "desk/table/access";
    }

    private String rows(Visit visit, Table table) {
        return frame.words().count(rows.countToEnd(TableListing.everything(visit, table.key()).rowQuery(), visit.language()));
    }

    /** Into the bin; its name is asked for where rows go with it. */
    @PostMapping("/desk/tables/{key}/remove")
    String remove(Visit visit, @PathVariable String key, @RequestParam(defaultValue = "") String typed, RedirectAttributes flash) {
        Table table = frame.find(key);
        if (!rows(visit, table).equals("0") && !typed.strip().equals(table.label())) {
            flash.addFlashAttribute("problem", frame.words().say("desk.remove.type-name", table.label()));
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        try {
            changes.remove(table.key(), visit.author());
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        flash.addFlashAttribute("removed", table.label());
        return "redirect:/desk/tables";
    }
}
