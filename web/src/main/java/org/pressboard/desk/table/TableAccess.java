package org.pressboard.desk.table;

import org.pressboard.catalog.Catalog;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Table;
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
    private final Sheets sheets;

    TableAccess(TableFrame frame, Catalog catalog, GrantGrid grants, TableChanges changes, Sheets sheets) {
        this.frame = frame;
        this.catalog = catalog;
        this.grants = grants;
        this.changes = changes;
        this.sheets = sheets;
    }

    @GetMapping("/desk/tables/{key}/access")
    String access(@PathVariable String key, Model model) {
        Table table = frame.show(key, "access", model);
        grants.show(table, model);
        model.addAttribute("pages", catalog.pages().values().stream().filter(page -> page.lists(table.key())).toList());
        model.addAttribute("referring", frame.tables().referringTo(table.key()));
        model.addAttribute("rows", rows(table));
        return "desk/table/access";
    }

    private String rows(Table table) {
        return sheets.countToEnd(TableListing.everything(frame.tables(), table.key()), frame.words().language());
    }

    /** Into the bin; its name is asked for where rows go with it. */
    @PostMapping("/desk/tables/{key}/remove")
    String remove(@PathVariable String key, @RequestParam(defaultValue = "") String typed, RedirectAttributes flash) {
        Table table = frame.find(key);
        if (!rows(table).equals("0") && !typed.strip().equals(table.label())) {
            flash.addFlashAttribute("problem", frame.words().say("desk.remove.type-name", table.label()));
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        try {
            changes.remove(table.key(), SignedIn.author());
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", frame.words().say(against.problems().all().getFirst()));
            return "redirect:/desk/tables/" + table.key() + "/access";
        }
        flash.addFlashAttribute("removed", table.label());
        return "redirect:/desk/tables";
    }
}
