package org.pressboard.walk;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Deed;
import org.pressboard.member.Members;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.site.InBrowser;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;

/**
 * Walks as an owner through everything, in any order, and asks all screens and all published pages after each step: nothing
 * breaks, no grant changes that the step did not name, nothing is shown that no grant gives.
 *
 * <p>{@code -Dpressboard.walk=1000} walks further, {@code -Dpressboard.walk.seed} elsewhere.
 */
@Import(OwnerSteps.class)
class OwnerWalkTest extends InBrowser {

    private static final int STEPS = Integer.getInteger("pressboard.walk", 20);
    private static final long SEED = Long.getLong("pressboard.walk.seed", 20261130);
    private static final int AT_ONCE = 6;
    private static final String MEMBER = "tomas@example.org";

    @Autowired
    private OwnerSteps steps;

    @Autowired
    private Catalog catalog;

    @Autowired
    private Members members;

    private final List<String> walked = new ArrayList<>();
    private final Map<String, String> cookies = new HashMap<>();

    /** Whether anything was ever there at addresses of that kind. */
    private final Map<String, Boolean> answered = new ConcurrentHashMap<>();
    private final ExecutorService asking = Executors.newFixedThreadPool(AT_ONCE);

    @AfterEach
    void cleanUp() {
        asking.shutdownNow();
        steps.cleanUp();
    }

    @Test
    void nothingBreaksWhateverAnOwnerDoes() throws Exception {
        cookies.put("nobody", "");
        cookies.put("member", session(MEMBER));
        cookies.put("owner", session("owner@example.org"));
        SplittableRandom random = new SplittableRandom(SEED);
        for (int i = 0; i < STEPS; i++) {
            Map<TableKey, Set<Grant>> before = grants();
            Step step;
            try {
                step = steps.take(random);
            } catch (ProblemsFound refused) {
                step = Step.of("refused: " + refused.problems().all());
            }
            walked.add(i + " " + step.said());
            assertGrants(step, before);
            assertScreens();
            assertForms(random);
        }
        assertThat(walked.stream().filter(step -> step.contains("refused")).count()).as(this::said).isLessThan(STEPS / 2);
        assertThat(walked).as("walked").anyMatch(step -> step.contains("publish"));
        assertThat(answered.keySet().stream().filter(path -> path.startsWith("/desk") && !answered.get(path))).as("asked in vain").isEmpty();
    }

    private String session(String email) {
        Page page = signedIn(email);
        return page.context().cookies().stream().map((Cookie cookie) -> cookie.name + "=" + cookie.value)
                .collect(Collectors.joining("; "));
    }

    private Map<TableKey, Set<Grant>> grants() {
        return steps.tables().stream().collect(Collectors.toMap(Table::key, table -> Set.copyOf(catalog.grants(table.key()).all())));
    }

    private void assertGrants(Step step, Map<TableKey, Set<Grant>> before) {
        grants().forEach((table, now) -> {
            Set<Grant> were = before.getOrDefault(table, now);
            if (step.opened().contains(table)) {
                assertThat(unseeing(now)).as(this::said).isEqualTo(unseeing(were));
            } else if (!step.granted().contains(table)) {
                assertThat(now).as(this::said).isEqualTo(were);
            }
        });
    }

    private static Set<Grant> unseeing(Set<Grant> grants) {
        return grants.stream().filter(grant -> grant.verb() != Verb.SEE).collect(Collectors.toSet());
    }

    /** The last steps: what was done before they matter. */
    private String said() {
        return "seed " + SEED + ":\n" + String.join("\n", walked.subList(Math.max(0, walked.size() - 40), walked.size()));
    }

    private void assertScreens() throws Exception {
        List<Future<String>> wrong = new ArrayList<>();
        addresses().forEach((path, who) -> who.forEach(role -> wrong.add(asking.submit(() -> ask(path, role)))));
        List<String> found = new ArrayList<>();
        for (Future<String> each : wrong) {
            found.add(each.get());
        }
        assertThat(found.stream().filter(each -> !each.isEmpty())).as(this::said).isEmpty();
    }

    /** One of the forms is filled in at random, as somebody would. */
    private void assertForms(SplittableRandom random) {
        for (DraftedPage page : steps.pages().stream().filter(DraftedPage::isPublished).limit(1).toList()) {
            String role = random.nextBoolean() ? "" : cookies.get("member");
            Filler filler = new Filler(address("/" + page.draft().key() + "/send/" + Parts.FORM), role);
            assertThat(filler.fill(random)).as(this::said).isLessThan(500);
        }
    }

    /** All screens at the desk, and all that visitors get of the pages; of each, who asks for it. */
    private Map<String, List<String>> addresses() {
        Map<String, List<String>> addresses = new HashMap<>();
        desk().forEach(path -> addresses.put(path, List.of("owner")));
        for (DraftedPage page : steps.pages()) {
            String key = page.draft().key().name();
            String deed = page.draft().listings().stream().flatMap(listing -> listing.changing().deeds().stream()).findFirst().map(Deed::key).orElse("0");
            Stream.of("/" + key, "/" + key + "?" + key + ".q=plum", "/listings/" + key + "/rows", "/listings/" + key + "/rows.csv",
                    "/listings/" + key + "/rows.json", "/listings/" + key + "/rows/count", "/listings/" + key + "/rows/totals",
                    "/listings/" + key + "/rows/value-counts", "/" + key + "/send/" + Parts.FORM, "/listings/" + key + "/rows/add",
                    "/listings/" + key + "/rows/1/change", "/listings/" + key + "/rows/1/remove", "/listings/" + key + "/rows/1/do/" + deed,
                    "/listings/" + key + "/rows/several?row=1&row=2").forEach(path -> addresses.put(path, List.copyOf(cookies.keySet())));
        }
        return addresses;
    }

    private List<String> desk() {
        List<String> paths = new ArrayList<>(List.of("/desk/tables", "/desk/pages", "/desk/members", "/desk/forms"));
        for (Table table : steps.tables()) {
            String at = "/desk/tables/" + table.key();
            Stream.of("", "/fields", "/access", "/history", "/rows/new", "/fields/new", "/rows/1", "/rows").forEach(end -> paths.add(at + end));
            table.fields().forEach(field -> paths.add(at + "/fields/" + field.key()));
        }
        for (DraftedPage page : steps.pages()) {
            String key = page.draft().key().name();
            paths.addAll(List.of("/desk/pages/" + key, "/desk/pages/" + key + "/" + key, "/desk/proof/" + key, "/desk/editions/" + key,
                    "/desk/proof/" + key + "/" + key + "/rows", "/desk/pages/" + key + "/" + key + "/sieve?as=anyone",
                    "/desk/pages/" + key + "/" + key + "/ticket", "/desk/seen/" + MEMBER + "/" + key));
            page.editions().forEach(edition -> paths.add("/desk/editions/" + key + "/" + edition.number() + "/look"));
        }
        return paths;
    }

    private String ask(String path, String role) {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(address(path))).header("Accept", "text/html")
                .header("Cookie", cookies.get(role)).build());
        answered.merge(path.replaceAll("walk[a-z0-9_-]*", "*").replaceAll("\\d+", "0").replaceAll("/fields/.*", "/fields/*"),
                answer.statusCode() == 200, Boolean::logicalOr);
        if (answer.statusCode() >= 500 || answer.body().contains("Something broke")) {
            return role + " asks " + path + ": " + answer.statusCode() + " " + answer.body().replaceAll("\\s+", " ")
                    .replaceAll("(?s)<head>.*</head>", "");
        }
        return path.startsWith("/desk") ? "" : unseen(answer.body(), role).stream().map(table ->
                role + " asks " + path + ": and sees rows of " + table).findFirst().orElse("");
    }

    /** The tables of which rows are shown to somebody whom no grant lets see any. */
    private List<TableKey> unseen(String body, String role) {
        Visitor visitor = role.equals("nobody") ? Visitor.ANYONE : role.equals("owner") ? Visitor.staff("")
                : members.visitor(MEMBER).orElseThrow();
        return steps.tables().stream().filter(table -> body.contains("walk-mark-" + table.key() + "-")
                && !catalog.published().may(visitor, Verb.SEE, table.key()).isAllowed()).map(Table::key).toList();
    }
}
