package org.pressboard.site;

import java.util.Objects;
import org.pressboard.edition.PageKey;
import org.pressboard.editing.Rejections;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Lets people put away what they have read of a row of theirs that was rejected. */
@Controller
class RejectionController {

    private final Rejections rejections;

    RejectionController(Rejections rejections) {
        this.rejections = rejections;
    }

    /** @param page where they read it, and go on */
    @PostMapping("/members/rejections/{number:\\d{1,18}}")
    String putAway(Visit visit, @PathVariable long number, @RequestParam(defaultValue = "") String page) {
        rejections.putAway(number, Objects.requireNonNull(visit.who()).email());
        return "redirect:/" + (PageKey.isValid(page) ? page : "");
    }
}
