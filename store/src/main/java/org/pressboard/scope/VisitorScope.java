package org.pressboard.scope;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.impl.DSL;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Visitor;
import org.pressboard.sql.OperandSql;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * The second lock: the rest of the transaction runs under the role that visitors' rows leave by, with who they are in
 * settings that end with the transaction. Staff keep the owner's role.
 */
@Component
public class VisitorScope {

    public static final String ROLE = "pressboard_visitor";

    /** The setting that has the fields that the server sets by itself. */
    public static final String SETTING_BY_SERVER = "pressboard.by_server";

    private static final JsonMapper JSON = new JsonMapper();

    private final DSLContext sql;

    VisitorScope(DSLContext sql) {
        this.sql = sql;
    }

    public void enter(Visitor visitor, Standpoint standpoint) {
        entering(visitor, standpoint, Set.of()).ifPresent(Query::execute);
    }

    /**
     * The statement that has what follows it executed so; none for staff.
     *
     * @param byServer which fields of a row that is added the server sets by itself, whatever the visitor may give a value
     */
    public Optional<Query> entering(Visitor visitor, Standpoint standpoint, Collection<FieldKey> byServer) {
        return visitor.isStaff() ? Optional.empty() : Optional.of(sql.select(settings(visitor, standpoint, byServer)
                .entrySet().stream().map(each -> DSL.function("set_config", String.class,
                        DSL.inline(each.getKey()), DSL.val(each.getValue()), DSL.inline(true))).toList()));
    }

    private static Map<String, String> settings(Visitor visitor, Standpoint standpoint, Collection<FieldKey> byServer) {
        Onlooker who = standpoint.who();
        Map<String, String> settings = new LinkedHashMap<>();
        settings.put("role", ROLE);
        settings.put(OperandSql.SETTING_KIND, visitor.kind().name());
        settings.put(OperandSql.SETTING_EMAIL, standpoint.visitorEmail().orElse(""));
        settings.put(OperandSql.SETTING_NAME, who.name());
        settings.put(OperandSql.SETTING_MEMBER, who.member() == null ? "" : who.member().id().toString());
        settings.put(OperandSql.SETTING_FIELDS, who.member() == null ? "" : fields(who, who.member()));
        settings.put(OperandSql.SETTING_GROUPS,
                visitor.groups().stream().map(GroupKey::name).sorted().collect(Collectors.joining(",")));
        settings.put(OperandSql.SETTING_BROWSER, Objects.requireNonNullElse(who.browser(), ""));
        settings.put(OperandSql.SETTING_TODAY, standpoint.today().toString());
        if (!byServer.isEmpty()) {
            settings.put(SETTING_BY_SERVER, byServer.stream().map(FieldKey::name).sorted().collect(Collectors.joining(",")));
        }
        return settings;
    }

    /** The statement after which the rest of the transaction is the owner's again; none for staff. */
    public Optional<Query> leaving(Visitor visitor) {
        return visitor.isStaff() ? Optional.empty() : Optional.of(sql.query("select set_config('role', 'none', true)"));
    }

    private static String fields(Onlooker who, Row member) {
        Map<String, String> texts = new TreeMap<>();
        member.values().keySet().forEach(field -> who.field(field)
                .ifPresent(value -> texts.put(field.name(), PlainForm.write(value))));
        return JSON.writeValueAsString(texts);
    }
}
