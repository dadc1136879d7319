package org.pressboard.desk.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.publish.Audiences;
import org.pressboard.desk.publish.DeskPublish;
import org.pressboard.edition.Page;
import org.pressboard.edition.Part;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.SeenBy;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The ticket of a page: the parts that it is made of, in their order, with the proof beside it. */
@Controller
class PageBench {

    private static final String AT = "/desk/parts/{page}";
    private static final int BEGINNING = 60;

    private final Catalog catalog;
    private final Drafts drafts;
    private final BenchWords words;
    private final SeenBy seenBy;
    private final DeskPublish publish;
    private final Files files;

    PageBench(Catalog catalog, Drafts drafts, BenchWords words, SeenBy seenBy, DeskPublish publish, Files files) {
        this.files = files;
        this.catalog = catalog;
        this.drafts = drafts;
        this.words = words;
        this.seenBy = seenBy;
        this.publish = publish;
    }

    @GetMapping(AT)
    String bench(Visit visit, @PathVariable String page, Model model) {
        show(visit, page, model);
        return "desk/bench/page";
    }

    /** The ticket again where somebody else has changed it; else nothing. */
    @GetMapping(AT + "/ticket")
    @Nullable String ticket(Visit visit, @PathVariable String page, @RequestParam(defaultValue = "") String mark, Model model,
            HttpServletResponse response) {
        if (drafts.mark(DraftedPages.key(page)).equals(mark)) {
            response.setStatus(HttpStatus.NO_CONTENT.value());
            return null;
        }
        return shown(visit, page, model);
    }

    @PostMapping(AT + "/change")
    String change(Visit visit, @PathVariable String page, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        PageChange change = new PageChange(audiences(), parameters);
        try {
            drafts.change(draft.key(), visit.author().who(), change::of);
        } catch (ProblemsFound against) {
            model.addAttribute("problem", words.said(against));
        }
        return shown(visit, page, model);
    }

    /** Puts a picture behind all else. */
    @PostMapping(AT + "/picture")
    String picture(Visit visit, @PathVariable String page, @RequestParam MultipartFile file,
            @RequestParam MultiValueMap<String, String> parameters, RedirectAttributes flash) throws IOException {
        Page draft = DraftedPages.draft(catalog, page);
        String name = Files.named(Objects.requireNonNullElse(file.getOriginalFilename(), ""));
        try (InputStream in = file.getInputStream()) {
            KeptFile kept = files.keepPicture(in, name);
            files.use(page, kept.content());
            drafts.change(draft.key(), visit.author().who(), now -> new PageChange(audiences(), parameters).with(now,
                    new Value.Attachment(kept.content(), name)));
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", words.said(against));
        }
        return "redirect:/desk/parts/" + page;
    }

    @PostMapping(AT + "/undo")
    String undo(Visit visit, @PathVariable String page, Model model) {
        drafts.undo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, model);
    }

    @PostMapping(AT + "/redo")
    String redo(Visit visit, @PathVariable String page, Model model) {
        drafts.redo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, model);
    }

    private String shown(Visit visit, String page, Model model) {
        show(visit, page, model);
        return "desk/bench/page-ticket :: ticket";
    }

    private void show(Visit visit, String page, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Tables tables = catalog.tables();
        Audiences audiences = audiences();
        List<PageTicket.Line> lines = draft.among(tables).parts().stream().map(part -> line(draft, part, tables, audiences)).toList();
        model.addAttribute("page", draft);
        model.addAttribute("ticket", new PageTicket(draft, lines, drafts.mark(draft.key()), words.steps(drafts, draft.key(), tables)));
        model.addAttribute("audiences", audiences.choices());
        model.addAttribute("tables", tables.all());
        model.addAttribute("publishing", publish.beside(visit, draft));
        seenBy.offer(tables, model);
        model.addAttribute("words", words.desk());
    }

    private Audiences audiences() {
        return new Audiences(catalog.groups(), words.desk());
    }

    private PageTicket.Line line(Page draft, Part part, Tables tables, Audiences audiences) {
        String called = switch (part) {
            case Part.OfListing of -> of.listing().dress().titleOr(tables.find(of.listing().table()).map(Table::label).orElse(""));
            case Part.OfForm of -> of.heading();
            case Part.OfRule of -> of.heading();
            case Part.OfOwner of -> beginning(of.called());
        };
        PageTicket.Kind kind = switch (part) {
            case Part.OfListing of -> PageTicket.Kind.LISTING;
            case Part.OfForm of -> PageTicket.Kind.FORM;
            case Part.OfText of -> PageTicket.Kind.TEXT;
            case Part.OfPicture of -> PageTicket.Kind.PICTURE;
            case Part.OfRule of -> PageTicket.Kind.RULE;
        };
        String ticket = switch (part) {
            case Part.OfListing of -> "/desk/pages/" + draft.key() + "/" + of.key();
            case Part.OfForm of -> "/desk/forms/" + draft.key() + "/" + of.key();
            default -> "";
        };
        String heading = part instanceof Part.OfPicture of ? of.words() : part.heading();
        String text = switch (part) {
            case Part.OfText of -> of.text();
            case Part.OfPicture of -> of.caption();
            default -> "";
        };
        return new PageTicket.Line(part.anchor(), kind, called, ticket, heading, text, part.frame().width(),
                audiences.said(part.audiences()), Audiences.names(part.audiences()));
    }

    /** The first line of a text, as far as a line of the ticket has room for it. */
    private static String beginning(String text) {
        String first = text.lines().findFirst().orElse("").replaceAll("[#*_>`]+", "").strip();
        return first.length() <= BEGINNING ? first : first.substring(0, BEGINNING).strip() + "…";
    }
}
