-- Searching is blind to case and accents: each row keeps its texts folded, in one column.

-- The rule of org.pressboard.value.Folding; the two change together.
create function hosted.folded_letters(said text) returns text language sql immutable parallel safe as $$
    select normalize(translate(replace(replace(replace(replace(
        lower(upper(regexp_replace(normalize(said, nfkd),
            '[\u0300-\u036f\u0591-\u05bd\u064b-\u065f\u0670\u1ab0-\u1aff\u1dc0-\u1dff\u20d0-\u20ff\ufe20-\ufe2f]+', '', 'g')
            collate "und-x-icu") collate "und-x-icu"),
        'ß', 'ss'), 'æ', 'ae'), 'œ', 'oe'), 'þ', 'th'), 'ςøłđðħŧ’', 'σolddht'''), nfkc)
$$;

create function hosted.folded(said text) returns text language sql immutable parallel safe as $$
    select case when octet_length(said) = char_length(said) then lower(said collate "C")
                else hosted.folded_letters(said) end
$$;

-- What is searched of a row, as an expression: the texts in these columns, and those in columns of several, one to a line.
create function searched(of_row text, texts text[], lists text[]) returns text language sql immutable as $$
    select format('hosted.folded(concat_ws(E''\n'', %s))', coalesce(string_agg(part, ', '), 'null')) from (
        select format('%s.%I', of_row, name) from unnest(texts) as one (name)
        union all select format('array_to_string(%s.%I, E''\n'')', of_row, name) from unnest(lists) as several (name)
    ) parts (part)
$$;

-- Makes a table of the owner's keep what is searched in these columns, from the next change of a row on.
create function make_searchable(hosted regclass, texts text[], lists text[]) returns void language plpgsql as $make$
declare
    keeping text := format('pressboard.%I', 'search_text_of_' || (select relname from pg_class where oid = hosted));
    differs text := (select string_agg(format('new.%1$I is distinct from old.%1$I', name), ' or ')
        from unnest(texts || lists) as given (name));
begin
    execute format($function$
        create or replace function %1$s() returns trigger language plpgsql as $body$
        begin
            if (tg_op = 'INSERT' and new.search_text is null) or (tg_op = 'UPDATE' and (%2$s)) then
                new.search_text := %3$s;
            end if;
            return new;
        end $body$ $function$, keeping, coalesce(differs, 'false'), pressboard.searched('new', texts, lists));
    execute format('revoke execute on function %s() from public', keeping);
    execute format('create or replace trigger keep_searched before insert or update on %s
        for each row execute function %s()', hosted, keeping);
end
$make$;

-- Works out anew what is searched of all rows, which nobody need be told of.
create function fill_searched(hosted regclass, texts text[], lists text[]) returns void language plpgsql as $$
begin
    execute format('alter table %s disable trigger user', hosted);
    execute format('update %s kept set search_text = %s', hosted, pressboard.searched('kept', texts, lists));
    execute format('alter table %s enable trigger user', hosted);
end
$$;

do $$
declare
    each record;
    obsolete text;
begin
    for each in
        select c.oid::regclass as hosted, texts, lists from pressboard.hosted_table kept
        join pg_class c on c.relname = kept.key and c.relkind = 'r'
            and c.relnamespace in ('hosted'::regnamespace, 'hosted_bin'::regnamespace)
        cross join lateral (
            select coalesce(array_agg(attname::text) filter (where atttypid = 'text'::regtype), '{}') as texts,
                   coalesce(array_agg(attname::text) filter (where atttypid = 'text[]'::regtype), '{}') as lists
            from pg_attribute join jsonb_array_elements(kept.definition -> 'fields') field on field ->> 'key' = attname
            where attrelid = c.oid and field -> 'type' ->> 'type' <> 'picture') columns
    loop
        execute format('alter table %s add column search_text text', each.hosted);
        perform pressboard.fill_searched(each.hosted, each.texts, each.lists);
        perform pressboard.make_searchable(each.hosted, each.texts, each.lists);
    end loop;
    for obsolete in select oid::regclass::text from pg_class where relnamespace = 'hosted'::regnamespace
            and relkind = 'i' and relname ~ '_search_[0-9a-f]{8}$' loop
        execute 'drop index ' || obsolete;
    end loop;
end
$$;

-- What is searched follows from the row; it is not remembered beside it.
create or replace function remember_changed() returns trigger language plpgsql as $$
begin
    if current_setting('pressboard.quiet', true) = 'on' then
        return null;
    end if;
    insert into pressboard.history (act_id, table_key, verb, row_id, before, after)
    select pressboard.current_act(tg_table_name), tg_table_name, 'CHANGED', was.row_id, differing.before, differing.after
    from was join became using (row_id) cross join lateral (
        select jsonb_object_agg(one.key, one.value) as before, jsonb_object_agg(one.key, other.value) as after
        from jsonb_each(to_jsonb(was)) one join jsonb_each(to_jsonb(became)) other using (key)
        where one.value is distinct from other.value
            and one.key not in ('changed_at', 'changed_by', 'search_text')) differing
    where differing.before is not null;
    return null;
end
$$;

create or replace function remember_removed() returns trigger language plpgsql as $$
begin
    insert into pressboard.history (act_id, table_key, verb, row_id, before)
    select pressboard.current_act(tg_table_name), tg_table_name, 'REMOVED', was.row_id, to_jsonb(was) - 'search_text'
    from was;
    return null;
end
$$;

create or replace function remember_emptied() returns trigger language plpgsql as $$
begin
    execute format('insert into pressboard.history (act_id, table_key, verb, row_id, before)
        select pressboard.current_act(%1$L), %1$L, ''REMOVED'', row_id, to_jsonb(was) - ''search_text'' from %2$s was',
        tg_table_name, tg_relid::regclass);
    return null;
end
$$;

revoke execute on function searched(text, text[], text[]), make_searchable(regclass, text[], text[]),
    fill_searched(regclass, text[], text[]) from public;
