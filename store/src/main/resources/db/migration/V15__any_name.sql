-- Owners' fields and tables may be called as any word of SQL and PL/pgSQL, or as what our own statements call something.
-- Names in the bodies of functions are always quoted (%I leaves words alone that mean something in PL/pgSQL only); a whole
-- row is said as "was.*", for "was" may be one of its columns.

create function quoted(name text) returns text language sql immutable as $$
    select '"' || replace(name, '"', '""') || '"'
$$;

-- An array, for no function takes more than a hundred values.
create or replace function searched(of_row text, texts text[], lists text[]) returns text language sql immutable as $$
    select format('hosted.folded(array_to_string(array[%s]::text[], E''\n''))', coalesce(string_agg(part, ', '), '')) from (
        select format('%s.%s', of_row, pressboard.quoted(name)) from unnest(texts) as one (name)
        union all select format('array_to_string(%s.%s, E''\n'')', of_row, pressboard.quoted(name))
            from unnest(lists) as several (name)
    ) parts (part)
$$;

create or replace function make_searchable(hosted regclass, texts text[], lists text[]) returns void
language plpgsql as $make$
declare
    keeping text := 'pressboard.' || pressboard.quoted('search_text_of_' || (select relname from pg_class where oid = hosted));
    differs text := (select string_agg(format('new.%1$s is distinct from old.%1$s', pressboard.quoted(name)), ' or ')
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

create or replace function remember_added() returns trigger language plpgsql
security definer set search_path = pg_catalog, pg_temp as $$
#variable_conflict use_variable
declare
    several bigint;
    least bigint;
    greatest bigint;
begin
    select count(*), min(row_id), max(row_id) into several, least, greatest from added;
    if several = 1 then
        insert into pressboard.history (act_id, table_key, verb, row_id)
        values (pressboard.current_act(tg_table_name), tg_table_name, 'ADDED', least);
    elsif several > 1 then
        insert into pressboard.history (act_id, table_key, verb, rows)
        values (pressboard.current_act(tg_table_name), tg_table_name, 'ADDED',
            case when greatest - least + 1 = several then int8multirange(int8range(least, greatest, '[]'))
                 else (select range_agg(int8range(row_id, row_id, '[]')) from added) end);
    end if;
    return null;
end
$$;

create or replace function remember_changed() returns trigger language plpgsql
security definer set search_path = pg_catalog, pg_temp as $$
#variable_conflict use_variable
begin
    if current_setting('pressboard.quiet', true) = 'on' then
        return null;
    end if;
    insert into pressboard.history (act_id, table_key, verb, row_id, before, after)
    select pressboard.current_act(tg_table_name), tg_table_name, 'CHANGED', was.row_id, differing.before, differing.after
    from was join became using (row_id) cross join lateral (
        select jsonb_object_agg(one.key, one.value) as before, jsonb_object_agg(one.key, other.value) as after
        from jsonb_each(to_jsonb(was.*)) one join jsonb_each(to_jsonb(became.*)) other using (key)
        where one.value is distinct from other.value
            and one.key not in ('changed_at', 'changed_by', 'search_text')) differing
    where differing.before is not null;
    return null;
end
$$;

create or replace function remember_removed() returns trigger language plpgsql
security definer set search_path = pg_catalog, pg_temp as $$
#variable_conflict use_variable
begin
    insert into pressboard.history (act_id, table_key, verb, row_id, before)
    select pressboard.current_act(tg_table_name), tg_table_name, 'REMOVED', was.row_id, to_jsonb(was.*) - 'search_text'
    from was;
    return null;
end
$$;

create or replace function remember_emptied() returns trigger language plpgsql as $$
begin
    execute format('insert into pressboard.history (act_id, table_key, verb, row_id, before)
        select pressboard.current_act(%1$L), %1$L, ''REMOVED'', was.row_id, to_jsonb(was.*) - ''search_text'' from %2$s was',
        tg_table_name, tg_relid::regclass);
    return null;
end
$$;

revoke execute on function quoted(text) from public;

-- By which release the functions, triggers, policies and views of owners' tables were made (see org.pressboard.schema.Remaking).
create table made_by (version integer not null);
insert into made_by values (0);
