package org.pressboard.schema;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Verb;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** Random grants, and random rows for them. */
record GrantCases(RandomGenerator random) {

    static final int PEOPLE = 6;
    static final int PLOTS = 5;
    static final int TREES = 8;
    static final List<String> BROWSERS = List.of("browser:one", "browser:two");
    static final FieldKey NAME = new FieldKey("name");
    static final FieldKey EMAIL = new FieldKey("email");
    static final FieldKey YEARS = new FieldKey("years");
    static final FieldKey KEEPER = new FieldKey("keeper");
    static final FieldKey PLOT = new FieldKey("plot");
    static final FieldKey TREE = new FieldKey("tree");
    static final FieldKey HEALTH = new FieldKey("health");
    static final FieldKey APPROVED = new FieldKey("approved");
    static final List<FieldKey> WAYS = List.of(KEEPER, EMAIL, PLOT.through(KEEPER),
            TREE.through(PLOT).through(KEEPER));
    static final List<GroupKey> GROUPS = List.of(new GroupKey("stewards"), new GroupKey("pickers"));

    List<Grant> grants() {
        List<Grant> grants = new ArrayList<>();
        for (Verb verb : Verb.values()) {
            for (int i = random.nextInt(3); i > 0; i--) {
                Audience audience = Cases.pick(List.of(Audience.EVERYONE, Audience.MEMBERS,
                        Audience.those(GROUPS.get(0)), Audience.those(GROUPS.get(1))), random);
                Grant grant = random.nextInt(2) == 0 ? Grant.ofOwn(audience, verb) : new Grant(audience, verb, condition());
                grants.add(random.nextInt(2) == 0 ? grant : grant.leavingOut(someFields()));
            }
        }
        return grants;
    }

    private Set<FieldKey> someFields() {
        Set<FieldKey> fields = new HashSet<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            fields.add(Cases.pick(List.of(NAME, EMAIL, KEEPER, PLOT, TREE, YEARS, HEALTH, APPROVED), random));
        }
        return fields;
    }

    private Condition condition() {
        return switch (random.nextInt(7)) {
            case 0 -> Condition.ALWAYS;
            case 1 -> Clause.fixed(HEALTH, Comparison.AT_LEAST, Value.of(random.nextLong(3))).condition();
            case 2 -> new Clause(YEARS, Cases.pick(List.of(Comparison.IS, Comparison.AT_LEAST, Comparison.LESS), random),
                    List.of(Operand.OfVisitor.of(new FieldKey("years")))).condition();
            case 3 -> new Clause(KEEPER, Comparison.IS, List.of(Operand.OfVisitor.ROW)).condition();
            case 4 -> new Clause(PLOT, Comparison.FILLED, List.of()).condition();
            case 5 -> Clause.fixed(PLOT, Comparison.ONE_OF, row(PLOTS), row(PLOTS)).condition();
            default -> new Clause(NAME, Comparison.IS, List.of(Operand.OfVisitor.of(new FieldKey("name")))).condition().not();
        };
    }

    String sender() {
        return Cases.pick(List.of("", "p1@example.org", BROWSERS.get(0), BROWSERS.get(1)), random);
    }

    Map<FieldKey, Value> log(long id) {
        return some(Map.of(NAME, Value.of("P" + (1 + random.nextInt(PEOPLE))), KEEPER, row(PEOPLE), EMAIL,
                Value.of("p" + (1 + random.nextInt(PEOPLE)) + "@Example.org"), PLOT, row(PLOTS), TREE,
                row(TREES), YEARS, Value.of(random.nextLong(3)), HEALTH, Value.of(random.nextLong(4)), APPROVED,
                Value.of(random.nextBoolean())));
    }

    /** Without some of them. */
    Map<FieldKey, Value> some(Map<FieldKey, Value> all) {
        Map<FieldKey, Value> some = new TreeMap<>(all);
        some.keySet().removeIf(key -> random.nextInt(5) == 0);
        return some;
    }

    Value row(int of) {
        return new Value.Referred(new RowId(1 + random.nextInt(of)), "");
    }
}
