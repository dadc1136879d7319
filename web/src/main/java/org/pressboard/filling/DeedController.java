package org.pressboard.filling;

import static org.pressboard.filling.Fillings.offered;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.RowEditing;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Deed;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.pace.Pace;
import org.pressboard.stand.NotThere;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Buttons with which visitors do one thing to a row; they work without scripts. */
@Controller
class DeedController {

    private static final String DEED = Fillings.ROW + "/do/{called:[0-9a-f]{1,20}}";

    private final Fillings fillings;
    private final VisitorEditing editing;
    private final Pace pace;

    DeedController(Fillings fillings, VisitorEditing editing, Pace pace) {
        this.fillings = fillings;
        this.editing = editing;
        this.pace = pace;
    }

    /** Asks once more before a button does to a row what it does. */
    @GetMapping(DEED)
    String ask(Filling filling, @PathVariable RowId row, @PathVariable String called, Model model) {
        Deed deed = deed(filling, called);
        Row found = fillings.row(filling, row);
        if (!isToBeDone(filling, deed, row)) {
            model.addAttribute("problem", fillings.words(filling).say("problem.not-granted.change-this"));
        }
        model.addAttribute("at", filling.rows() + "/" + row + "/do/" + called);
        return show(filling, deed, found, model);
    }

    @PostMapping(DEED)
    String carryOut(Filling filling, @PathVariable RowId row, @PathVariable String called, Model model, RedirectAttributes flash) {
        Deed deed = deed(filling, called);
        Row found = fillings.row(filling, row);
        Map<FieldKey, Optional<Value>> was = new HashMap<>();
        Map<FieldKey, Optional<Value>> give = new HashMap<>();
        fillings.rows(filling, List.of(row), deed.needed()).forEach(now -> {
            Standpoint there = filling.asking().standpoint().at(now);
            deed.gives().forEach(stamp -> {
                was.put(stamp.field(), now.find(stamp.field()));
                give.put(stamp.field(), filling.table().field(stamp.field()).given(stamp.value(), there));
            });
        });
        try {
            offered(isToBeDone(filling, deed, row));
            if (pace.writing(() -> editing.change(filling.visitor(), filling.table().key(), row, was, give,
                    filling.author())) instanceof RowEditing.Outcome.Done(Long act)) {
                return fillings.back(filling, act == null ? "change.same" : "change.changed", act, flash);
            }
            model.addAttribute("problem", fillings.words(filling).say("problem.not-granted.change-this"));
        } catch (ProblemsFound refused) {
            fillings.tell(filling, refused, model);
        }
        return show(filling, deed, found, model);
    }

    private String show(Filling filling, Deed deed, Row row, Model model) {
        fillings.frame(filling, row, model);
        model.addAttribute("deed", deed.label());
        return "site/deed";
    }

    /** What was seen may have been taken off, or made another, since. */
    private static Deed deed(Filling filling, String called) {
        return filling.changing().deeds().stream().filter(deed -> deed.key().equals(called)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.deed"));
    }

    private boolean isToBeDone(Filling filling, Deed deed, RowId row) {
        return fillings.may(filling, Verb.CHANGE, row)
                && !editing.open(filling.visitor(), Verb.CHANGE, filling.table().key(), deed.given(), Set.of(row)).isEmpty()
                && !editing.among(filling.visitor(), filling.table().key(), deed.when(), Set.of(row)).isEmpty();
    }
}
