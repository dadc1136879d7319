package org.pressboard.desk;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.pressboard.problem.Problem;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;

/** What a table and its fields are to be called, as the owner has sent it. */
record Labels(Table table, String label, List<String> fieldLabels) {

    private static final int LONGEST = 100;

    static Labels sent(Table table, Map<String, String> parameters) {
        return new Labels(table, parameters.getOrDefault("label", "").strip(), table.fields().stream()
                .map(field -> parameters.getOrDefault("field." + field.key(), field.label()).strip()).toList());
    }

    Optional<Problem> problem() {
        Set<String> taken = new HashSet<>();
        List<String> all = new ArrayList<>(fieldLabels);
        all.add(label);
        if (all.stream().anyMatch(each -> each.isEmpty() || each.length() > LONGEST || each.indexOf('\0') >= 0)) {
            return Optional.of(Problem.of("labels.missing"));
        }
        return fieldLabels.stream().filter(each -> !taken.add(each.toLowerCase(Locale.ROOT))).findFirst()
                .map(each -> Problem.of("labels.twice", each));
    }

    Table relabelled() {
        List<Field> fields = new ArrayList<>();
        for (Field field : table.fields()) {
            fields.add(new Field(field.key(), fieldLabels.get(fields.size()), field.type()));
        }
        return new Table(table.key(), label, new Fields(fields));
    }
}
