package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.NullMarked;
import org.junit.jupiter.api.Test;
import org.pressboard.value.RowId;

/** Which package may know which: web knows store, store knows core, and within each the arrows run one way too. */
class StructureTest {

    private static final String ROOT = "org.pressboard.";

    private static final Map<String, Set<String>> MAY_KNOW = Map.ofEntries(
            // core
            Map.entry("problem", Set.of()),
            Map.entry("value", Set.of()),
            Map.entry("condition", Set.of("value")),
            Map.entry("table", Set.of("condition", "problem", "value")),
            Map.entry("grant", Set.of("condition", "problem", "table", "value")),
            Map.entry("listing", Set.of("condition", "form", "grant", "problem", "table", "value")),
            Map.entry("intake", Set.of("problem", "table", "value")),
            Map.entry("attachment", Set.of()),
            Map.entry("sieve", Set.of("condition", "grant", "listing", "value")),
            Map.entry("edition", Set.of("condition", "form", "grant", "listing", "table", "value")),
            Map.entry("live", Set.of("change", "memory", "network", "pace", "rows", "stand", "table", "visit")),
            Map.entry("form", Set.of("condition", "problem", "table", "value")),
            // store
            Map.entry("change", Set.of("table")),
            Map.entry("catalog", Set.of("change", "condition", "edition", "form", "grant", "listing", "problem",
                    "table", "value")),
            Map.entry("scope", Set.of("condition", "grant", "value")),
            Map.entry("turn", Set.of()),
            Map.entry("history", Set.of("catalog", "source", "table", "value")),
            Map.entry("source", Set.of("table", "value")),
            Map.entry("sql", Set.of("condition", "grant", "listing", "source", "table", "value")),
            Map.entry("rows", Set.of("catalog", "change", "condition", "grant", "listing", "memory", "problem",
                    "scope", "source", "sql", "table", "turn", "value")),
            Map.entry("schema", Set.of("catalog", "change", "condition", "edition", "grant", "history", "listing",
                    "problem", "rows", "source", "sql", "table", "value")),
            Map.entry("mail", Set.of("change")),
            Map.entry("memory", Set.of()),
            Map.entry("log", Set.of("change")),
            Map.entry("member", Set.of("catalog", "change", "condition", "editing", "grant", "history", "problem",
                    "rows", "schema", "source", "sql", "table", "value")),
            Map.entry("files", Set.of("attachment", "catalog", "change", "memory", "problem", "table",
                    "turn", "value")),
            Map.entry("editing", Set.of("catalog", "change", "condition", "edition", "files", "form", "grant",
                    "history", "listing", "problem", "rows", "scope", "source", "sql", "table", "value")),
            Map.entry("undo", Set.of("catalog", "change", "editing", "history", "problem", "schema", "sql", "table",
                    "value")),
            Map.entry("bulk", Set.of("catalog", "edition", "files", "history", "intake", "listing", "memory",
                    "problem", "rows", "schema", "scope", "source", "sql", "table", "turn", "value")),
            // web
            Map.entry("mailing", Set.of("mail")),
            Map.entry("drawing", Set.of("memory")),
            Map.entry("network", Set.of()),
            Map.entry("connector", Set.of("memory", "network")),
            Map.entry("signin", Set.of("catalog", "edition", "grant", "log", "mail", "member", "network", "problem",
                    "table", "value", "visit")),
            Map.entry("visit", Set.of("catalog", "change", "condition", "edition", "grant", "history", "table")),
            Map.entry("stand", Set.of("catalog", "condition", "edition", "form", "grant", "listing", "member",
                    "problem", "rows", "table", "value", "visit")),
            Map.entry("pace", Set.of("network", "rows", "turn")),
            Map.entry("sheet.finder", Set.of("condition", "grant", "listing", "rows", "stand", "table", "value",
                    "words")),
            Map.entry("sheet.line", Set.of("condition", "files", "grant", "listing", "stand", "table", "value", "words")),
            Map.entry("words", Set.of("listing", "problem", "table", "value")),
            Map.entry("sheet", Set.of("drawing", "editing", "grant", "listing",
                    "problem", "rows", "sheet.finder", "sheet.line", "stand", "table", "value", "words")),
            Map.entry("part", Set.of("control", "drawing", "edition", "files", "form", "listing", "sheet", "sheet.line", "stand", "value", "visit")),
            Map.entry("site", Set.of("bulk", "catalog", "change", "control", "drawing", "edition", "editing", "files", "form",
                    "grant", "listing", "memory", "pace", "part", "rows", "sheet", "sheet.line", "signin", "stand", "table",
                    "value", "visit")),
            Map.entry("control", Set.of("condition", "editing", "form", "grant", "problem", "rows", "signin",
                    "stand", "table", "value", "visit", "words")),
            Map.entry("filling", Set.of("catalog", "condition", "control", "drawing", "editing", "files", "form",
                    "grant", "history", "listing", "mail", "pace", "problem", "rows", "signin", "site", "stand",
                    "table", "undo", "value", "visit", "words")),
            Map.entry("takeaway", Set.of("bulk", "edition", "files", "listing", "log", "network", "pace", "problem",
                    "rows", "sheet", "sheet.line", "signin", "stand", "table", "turn", "value", "visit", "words")),
            Map.entry("desk", Set.of("bulk", "catalog", "condition", "control", "desk.condition", "desk.publish", "desk.table", "editing", "edition",
                    "files", "grant", "history", "intake", "listing", "log", "mail", "mailing", "member",
                    "memory", "part", "problem", "rows", "schema", "sheet", "sheet.line", "signin", "stand", "table",
                    "value", "visit", "words")),
            Map.entry("desk.operand", Set.of("condition", "problem", "table", "value", "words")),
            Map.entry("desk.condition", Set.of("catalog", "condition", "desk.operand", "grant", "problem", "rows",
                    "stand", "table", "value", "words")),
            Map.entry("desk.bench", Set.of("catalog", "condition", "desk.condition", "desk.operand", "desk.publish", "desk.table",
                    "edition", "files", "form", "grant", "history", "listing", "log", "problem", "rows", "schema", "sieve",
                    "signin", "stand", "table", "value", "visit", "words")),
            Map.entry("desk.publish", Set.of("catalog", "desk.condition", "desk.table", "edition", "form", "grant", "listing",
                    "log", "schema", "signin", "stand", "table", "visit", "words")),
            Map.entry("desk.table", Set.of("catalog", "condition", "control", "desk.condition", "desk.operand",
                    "editing", "edition", "form", "grant", "history", "listing", "log", "mail", "member", "problem", "rows",
                    "schema", "sheet", "signin", "stand", "table", "undo", "value", "visit", "words")),
            Map.entry("demo", Set.of("bulk", "catalog", "condition", "editing", "edition", "files", "form", "grant",
                    "history", "intake", "listing", "rows", "schema", "table", "value")),
            Map.entry("wiring", Set.of("catalog", "connector", "drawing", "member", "memory", "network", "pace",
                    "problem", "sheet", "signin", "site", "sql", "stand", "turn", "visit")));

    private static final Set<String> CORE = Set.of("problem", "table", "value", "condition", "form", "grant", "listing",
                    "intake", "edition", "attachment", "sieve");

    private static final JavaClasses CLASSES = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .withImportOption(location -> !location.contains("-tests.jar"))
            .importPackages("org.pressboard");

    @Test
    void packagesKnowOnlyWhatTheyMay() {
        List<String> violations = new ArrayList<>();
        for (JavaClass source : CLASSES) {
            for (Dependency dependency : source.getDirectDependenciesFromSelf()) {
                String from = concept(source);
                String to = concept(dependency.getTargetClass());
                if (!from.isEmpty() && !to.isEmpty() && !from.equals(to)
                        && !MAY_KNOW.getOrDefault(from, Set.of()).contains(to)) {
                    violations.add(dependency.getDescription() + "; " + from + " may know "
                            + new TreeSet<>(MAY_KNOW.getOrDefault(from, Set.of())));
                }
            }
        }
        assertThat(violations).isEmpty();
    }

    /** What a row's key is made of is known where rows are read and written. */
    @Test
    void whatIdentifiesRowsIsOpaqueOutsideTheStore() {
        Set<String> store = CLASSES.stream().filter(each -> each.getDirectDependenciesFromSelf().stream()
                .anyMatch(to -> concept(to.getTargetClass()).equals("source"))).map(StructureTest::concept)
                .collect(Collectors.toCollection(TreeSet::new));
        store.addAll(Set.of("source", "history", "scope"));
        assertThat(CLASSES.stream().flatMap(each -> each.getMethodCallsFromSelf().stream())
                .filter(call -> call.getTargetOwner().isEquivalentTo(RowId.class) && call.getName().equals("number"))
                .map(call -> concept(call.getOriginOwner())).filter(from -> !from.equals("value")).collect(Collectors.toSet()))
                .isNotEmpty().isSubsetOf(store);
    }

    /** What may be and is not is a door left open. */
    @Test
    void whatPackagesMayKnowTheyDo() {
        Map<String, Set<String>> known = new TreeMap<>();
        CLASSES.forEach(source -> source.getDirectDependenciesFromSelf().forEach(dependency ->
                known.computeIfAbsent(concept(source), any -> new TreeSet<>()).add(concept(dependency.getTargetClass()))));
        Map<String, Set<String>> unused = new TreeMap<>();
        MAY_KNOW.forEach((from, to) -> {
            Set<String> left = new TreeSet<>(to);
            left.removeAll(known.getOrDefault(from, Set.of()));
            if (!left.isEmpty()) {
                unused.put(from, left);
            }
        });
        assertThat(unused).isEmpty();
    }

    @Test
    void theCoreKnowsNothingOfSpringDatabasesOrPages() {
        List<String> violations = CLASSES.stream().filter(type -> CORE.contains(concept(type)))
                .flatMap(type -> type.getDirectDependenciesFromSelf().stream())
                .filter(dependency -> !dependency.getTargetClass().getName()
                        .matches("\\[*L?(java\\.(lang|util|io|math|net|nio|text|time)|javax\\.xml|org\\.(w3c|xml)|org\\.jspecify|de\\.siegmar\\.fastcsv"
                                + "|com\\.ibm\\.icu|org\\.pressboard)\\..*|\\[*[A-Z]?|boolean|byte|char|double|int|long|void|float|short"))
                .map(Dependency::getDescription).toList();
        assertThat(violations).isEmpty();
    }

    @Test
    void everyPackageIsNullMarked() {
        Set<String> unmarked = new TreeSet<>();
        for (JavaClass type : CLASSES) {
            if (!type.getPackage().isAnnotatedWith(NullMarked.class)) {
                unmarked.add(type.getPackageName());
            }
        }
        assertThat(unmarked).isEmpty();
    }

    private static String concept(JavaClass type) {
        String name = type.getPackageName();
        return name.startsWith(ROOT) ? name.substring(ROOT.length()) : "";
    }
}
