package org.pressboard.desk;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Access;
import org.pressboard.edition.Page;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Group;
import org.pressboard.listing.ListingKey;
import org.pressboard.stand.DraftedPages;
import org.pressboard.visit.Visit;
import org.pressboard.words.Typed;
import org.pressboard.words.Words;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who gets to a page and to the listings on it, and what others get instead; part of the draft. */
@Controller
class DeskAccess {

    private static final String GROUP = "group:";

    private final Catalog catalog;
    private final Drafts drafts;
    private final MessageSource messages;

    DeskAccess(Catalog catalog, Drafts drafts, MessageSource messages) {
        this.messages = messages;
        this.catalog = catalog;
        this.drafts = drafts;
    }

    /**
     * Somebody who may be let to something.
     *
     * @param name as it is sent
     */
    public record Choice(String name, String label) {
    }

    /** Those who can be chosen beside everybody: members, and each group of them. */
    static List<Choice> choices(List<Group> groups, Words words) {
        return Stream.concat(Stream.of(new Choice("members", words.say("desk.access.members"))), groups.stream()
                .map(group -> new Choice(GROUP + group.key(), group.label()))).toList();
    }

    /** As they are sent; of none, everybody is meant. */
    static List<String> names(List<Audience> audiences) {
        return audiences.stream().map(DeskAccess::name).toList();
    }

    private static String name(Audience audience) {
        return switch (audience) {
            case Audience.Everyone everyone -> "everyone";
            case Audience.Members members -> "members";
            case Audience.Those those -> GROUP + those.group();
        };
    }

    @PostMapping("/desk/pages/{key}/access")
    String change(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            RedirectAttributes flash) {
        Page draft = DraftedPages.draft(catalog, key);
        List<Group> groups = catalog.groups();
        Access.Otherwise otherwise = Stream.of(Access.Otherwise.values())
                .filter(each -> each.name().equals(parameters.getFirst("otherwise"))).findFirst()
                .orElse(Access.Otherwise.NOT_THERE);
        String message = Objects.requireNonNullElse(parameters.getFirst("message"), "");
        Access access = new Access(audiences(parameters.get("who"), groups), otherwise,
                Typed.within(message, Access.LONGEST_MESSAGE));
        drafts.change(draft.key(), visit.author().who(), page -> {
            Page let = page.letting(access);
            for (ListingKey listing : page.listingKeys()) {
                let = let.showing(listing, audiences(parameters.get("l." + listing), groups));
            }
            return let;
        });
        flash.addFlashAttribute("said", said(visit, draft, access, groups));
        return "redirect:/desk/pages/" + key;
    }

    /** Whom the page is for, and from when on. */
    private String said(Visit visit, Page draft, Access access, List<Group> groups) {
        Words words = Words.ofRequest(messages);
        List<Choice> all = choices(groups, words);
        String who = access.audiences().stream().map(DeskAccess::name).map(name -> all.stream().filter(choice -> choice.name().equals(name))
                .findFirst().map(Choice::label).orElse(name)).collect(Collectors.joining(", "));
        String when = visit.site().edition(draft.key()).isPresent() ? "yet" : "first";
        return who.isEmpty() ? words.say("desk.access.open." + when) : words.say("desk.access.only." + when, who);
    }

    private static List<Audience> audiences(@Nullable List<String> names, List<Group> groups) {
        return names == null ? List.of() : names.stream().flatMap(name -> audience(name, groups).stream()).toList();
    }

    private static Optional<Audience> audience(String name, List<Group> groups) {
        return name.equals("members") ? Optional.of(Audience.MEMBERS) : groups.stream()
                .filter(group -> name.equals(GROUP + group.key())).findFirst().map(group -> Audience.those(group.key()));
    }
}
