package org.pressboard.catalog;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The form in which a kind of definition is kept: {@code {"version": 3, "page": {…}}}. What an earlier release has written is
 * brought to today's form by small steps, one from each version to the next; a step that was released never changes. What has
 * no version is of the first.
 *
 * @param <T> what is defined
 */
public final class KeptForm<T> {

    static final KeptForm<Page> PAGE = new KeptForm<>("page", Page.class, List.of(PageSteps::toSecond, PageSteps::toThird,
            PageSteps::toFourth));
    public static final KeptForm<Table> TABLE = of("table", Table.class);
    static final KeptForm<Condition> CONDITION = of("condition", Condition.class);
    public static final KeptForm<Field> FIELD = of("field", Field.class);

    private static final Logger LOG = LoggerFactory.getLogger(KeptForm.class);
    private static final JsonMapper JSON = new JsonMapper();
    private static final String VERSION = "version";

    /** Most definitions are asked for again and again, and never change. Of all forms together. */
    private static final int MOST_CHARACTERS_READ = 4_000_000;
    private static final Cache<Kept, Object> READ = Caffeine.newBuilder().maximumWeight(MOST_CHARACTERS_READ)
            .weigher((Kept kept, Object definition) -> kept.json.length()).build();

    private final String name;
    private final Class<T> type;
    private final List<Consumer<ObjectNode>> steps;

    /** A text in one of the forms. */
    private record Kept(KeptForm<?> form, String json) {
    }

    private KeptForm(String name, Class<T> type, List<Consumer<ObjectNode>> steps) {
        this.name = name;
        this.type = type;
        this.steps = steps;
    }

    /** One of which there is no later version than the first. */
    public static <T> KeptForm<T> of(String name, Class<T> type) {
        return new KeptForm<>(name, type, List.of());
    }

    private int current() {
        return steps.size() + 1;
    }

    public String write(T definition) {
        ObjectNode kept = JSON.createObjectNode().put(VERSION, current());
        kept.set(name, Definitions.tree(definition));
        return kept.toString();
    }

    /**
     * Of the same text always the same.
     *
     * @throws NewerForm when a later release has written it
     */
    public T read(String json) {
        return type.cast(READ.get(new Kept(this, json), kept -> parsed(kept.json)));
    }

    /** What this release can read; a later one, which others run already, may have written what it cannot. */
    static <T> Optional<T> readable(Supplier<T> read) {
        try {
            return Optional.of(read.get());
        } catch (NewerForm newer) {
            LOG.warn("Left out: {}", newer.getMessage());
            return Optional.empty();
        }
    }

    private T parsed(String json) {
        ObjectNode kept = (ObjectNode) JSON.readTree(json);
        boolean hasVersion = kept.has(VERSION) && kept.has(name);
        int version = hasVersion ? kept.path(VERSION).asInt() : 1;
        if (version > current()) {
            throw NewerForm.of(name, version, current());
        }
        ObjectNode definition = hasVersion ? (ObjectNode) kept.get(name) : kept;
        steps.subList(version - 1, steps.size()).forEach(step -> step.accept(definition));
        return Definitions.of(definition, type);
    }
}
