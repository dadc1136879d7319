package org.pressboard.catalog;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Names;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Changes drafts step by step. A step says how the draft becomes another, not what it is to be, so of two owners at one
 * draft neither loses what they did. Each step can be taken back, the last first, and made again.
 */
@Component
public class Drafts {

    /** So many steps of a page can be taken back. */
    static final int KEPT = 200;

    private final Catalog catalog;
    private final DSLContext sql;

    Drafts(Catalog catalog, DSLContext sql) {
        this.catalog = catalog;
        this.sql = sql;
    }

    /**
     * One step.
     *
     * @param takenBack whether it is taken back now, and can be made again
     */
    public record Step(long id, Instant at, String who, Page before, Page after, boolean takenBack) {
    }

    /**
     * Makes a page that nobody gets yet, with a listing of that table as most owners would want it. Where another page is
     * called so, it gets a number.
     *
     * @param differ whether the values of a field are all there and all different
     */
    @Transactional
    public Page begin(Table table, String wanted, Predicate<FieldKey> differ) {
        Set<String> taken = catalog.drafts().stream().map(Page::title).collect(Collectors.toSet());
        String title = Names.unique(wanted, " ", taken);
        PageKey key = PageKey.from(title, catalog.pageKeys());
        Page page = new Page(key, title, List.of(Suggestion.forTable(table, catalog.freeListingKey(key.name()), differ)));
        catalog.addPage(page);
        return page;
    }

    /**
     * Makes a step; none where the draft would stay as it is.
     *
     * @return the draft as it is then
     * @throws ProblemsFound when the page is there no more
     */
    @Transactional
    public Page change(PageKey key, String who, UnaryOperator<Page> change) {
        Page before = locked(key);
        Page after = change.apply(before);
        if (!after.equals(before)) {
            sql.execute("delete from pressboard.draft_step where page_key = {0} and taken_back", page(key));
            sql.execute("insert into pressboard.draft_step (page_key, who, before, after) values ({0}, {1}, {2}, {3})",
                    page(key), DSL.val(who), json(before), json(after));
            sql.execute("delete from pressboard.draft_step where page_key = {0} and id <= (select id from "
                    + "pressboard.draft_step where page_key = {0} order by id desc offset {1} limit 1)", page(key),
                    DSL.inline(KEPT));
            catalog.changeDraft(after);
        }
        return after;
    }

    /**
     * Makes a step and moves the page to another address, or neither.
     *
     * @throws ProblemsFound when the page is there no more
     */
    @Transactional
    public void change(PageKey key, String who, UnaryOperator<Page> change, PageKey to) {
        change(key, who, change);
        if (!key.equals(to)) {
            catalog.move(key, to);
        }
    }

    /** Takes the last step back that is not; empty where there is none. */
    @Transactional
    public Optional<Step> undo(PageKey key) {
        return turn(key, "not taken_back order by id desc", Step::before);
    }

    /** Makes the first step again that was taken back; empty where there is none. */
    @Transactional
    public Optional<Step> redo(PageKey key) {
        return turn(key, "taken_back order by id", Step::after);
    }

    /** Takes a step back that is not, or makes it again. */
    private Optional<Step> turn(PageKey key, String which, Function<Step, Page> draft) {
        locked(key);
        Optional<Step> found = step(which, key);
        found.ifPresent(step -> {
            mark(step, !step.takenBack());
            catalog.changeDraft(draft.apply(step).at(key));
        });
        return found;
    }

    /** The latest steps, the last first. */
    @Transactional(readOnly = true)
    public List<Step> steps(PageKey key, int most) {
        return sql.fetch("select * from pressboard.draft_step where page_key = {0} order by id desc limit {1}", page(key),
                DSL.val(most)).map(Drafts::step);
    }

    /** A text that is another whenever the draft is; empty: there is none. */
    @Transactional(readOnly = true)
    public String mark(PageKey key) {
        return sql.fetchOptional("select md5(draft::text) from pressboard.page where key = {0} and removed_at is null", page(key))
                .map(found -> found.get(0, String.class)).orElse("");
    }

    /** One at a time changes a draft, knowing what it is now. */
    private Page locked(PageKey key) {
        sql.fetch("select from pressboard.page where key = {0} for update", page(key));
        return catalog.draft(key).orElseThrow(() -> ProblemsFound.of("not-there.page"));
    }

    private Optional<Step> step(String which, PageKey key) {
        return sql.fetchOptional("select * from pressboard.draft_step where page_key = {0} and " + which + " limit 1",
                page(key)).map(Drafts::step);
    }

    private void mark(Step step, boolean takenBack) {
        sql.execute("update pressboard.draft_step set taken_back = {0} where id = {1}", DSL.inline(takenBack),
                DSL.val(step.id));
    }

    private static Step step(Record found) {
        return new Step(found.get("id", Long.class), found.get("at", OffsetDateTime.class).toInstant(),
                found.get("who", String.class), KeptForm.PAGE.read(found.get("before", JSONB.class).data()),
                KeptForm.PAGE.read(found.get("after", JSONB.class).data()), found.get("taken_back", Boolean.class));
    }

    private static org.jooq.Field<String> page(PageKey key) {
        return DSL.val(key.name());
    }

    private static org.jooq.Field<JSONB> json(Page page) {
        return DSL.val(JSONB.valueOf(KeptForm.PAGE.write(page)));
    }
}
