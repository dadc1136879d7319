-- Tables as a whole: what each is, by what its rows are known, and fields that have rules, helps and units or are
-- worked out. What is removed waits in the bin; what is changed is remembered.

alter table hosted_table add column definition jsonb, add column removed_at timestamptz;

update hosted_table set definition = jsonb_build_object('key', key, 'label', label, 'description', '',
    'heading', null, 'rowKey', null, 'people', null,
    'fields', (select coalesce(jsonb_agg(
            field || '{"computed": null, "start": null, "help": "", "unit": "", "hidden": false,
                       "rules": {"required": false, "unique": false, "least": null, "greatest": null,
                                 "shape": {"begins": "", "rest": "ANY", "shortest": null, "longest": null}}}'
            || case when field -> 'type' ->> 'type' = 'choice' then jsonb_build_object('type', jsonb_build_object(
                'type', 'choice', 'options', (select coalesce(jsonb_agg(
                    jsonb_build_object('text', option, 'colour', 'PLAIN') order by lower(option), option), '[]')
                    from jsonb_array_elements_text(field -> 'type' -> 'options') as options (option)))) else '{}' end
            order by place), '[]')
        from jsonb_array_elements(fields) with ordinality as fields (field, place)));

alter table hosted_table alter column definition set not null, drop column fields;

-- Fields that were removed, whose columns wait under another name.
create table removed_field (
    id         bigint generated always as identity primary key,
    table_key  text not null references hosted_table on delete cascade,
    column_name text not null,
    field      jsonb not null,
    place      integer not null,
    act_id     bigint not null,
    removed_at timestamptz not null default now()
);
create index removed_field_table on removed_field (table_key);

-- One thing that somebody did, and all that it changed.
create table act (
    id        bigint generated always as identity primary key,
    at        timestamptz not null default clock_timestamp(),
    account   bigint references account on delete set null,
    who       text not null,
    origin    text not null check (origin in ('DESK', 'FILE', 'DEMO', 'DATABASE')),
    what      text not null,
    table_key text,
    details   jsonb not null default '{}',
    undoes    bigint references act,
    undone_by bigint references act
);
create index act_table on act (table_key, id);

-- What became of rows: of those added only which they are, for they are there or were changed or removed later; of
-- those changed what was and what is, of those removed all that was.
create table history (
    id        bigint generated always as identity primary key,
    act_id    bigint not null references act,
    table_key text not null,
    verb      text not null check (verb in ('ADDED', 'CHANGED', 'REMOVED')),
    row_id    bigint,
    rows      int8multirange,
    before    jsonb,
    after     jsonb
);
create index history_act on history (act_id, id);
create index history_row on history (table_key, row_id, id) where row_id is not null;
create index history_rows on history (table_key, id) where rows is not null;

-- The act that the transaction carries out; whoever changes rows past Pressboard is remembered by their role.
create function current_act(changed text) returns bigint language plpgsql as $$
declare
    act bigint := nullif(current_setting('pressboard.act', true), '')::bigint;
begin
    if act is null then
        insert into pressboard.act (who, origin, what, table_key) values (session_user, 'DATABASE', 'rows', changed)
        returning id into act;
        perform set_config('pressboard.act', act::text, true);
    end if;
    return act;
end
$$;

create function remember_added() returns trigger language plpgsql as $$
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

-- Tallies follow from other rows, whose changes are remembered; "pressboard.quiet" is on while they are worked out.
create function remember_changed() returns trigger language plpgsql as $$
begin
    if current_setting('pressboard.quiet', true) = 'on' then
        return null;
    end if;
    insert into pressboard.history (act_id, table_key, verb, row_id, before, after)
    select pressboard.current_act(tg_table_name), tg_table_name, 'CHANGED', was.row_id, differing.before, differing.after
    from was join became using (row_id) cross join lateral (
        select jsonb_object_agg(one.key, one.value) as before, jsonb_object_agg(one.key, other.value) as after
        from jsonb_each(to_jsonb(was)) one join jsonb_each(to_jsonb(became)) other using (key)
        where one.value is distinct from other.value and one.key not in ('changed_at', 'changed_by')) differing
    where differing.before is not null;
    return null;
end
$$;

create function remember_removed() returns trigger language plpgsql as $$
begin
    insert into pressboard.history (act_id, table_key, verb, row_id, before)
    select pressboard.current_act(tg_table_name), tg_table_name, 'REMOVED', was.row_id, to_jsonb(was) from was;
    return null;
end
$$;

create function remember_emptied() returns trigger language plpgsql as $$
begin
    execute format('insert into pressboard.history (act_id, table_key, verb, row_id, before)
        select pressboard.current_act(%1$L), %1$L, ''REMOVED'', row_id, to_jsonb(was) from %2$s was', tg_table_name,
        tg_relid::regclass);
    return null;
end
$$;

-- Makes a table of the owner's remember what becomes of its rows.
create function remember(hosted regclass) returns void language plpgsql as $$
begin
    execute format('create trigger remember_added after insert on %s referencing new table as added
        for each statement execute function pressboard.remember_added()', hosted);
    execute format('create trigger remember_changed after update on %s referencing old table as was new table as became
        for each statement execute function pressboard.remember_changed()', hosted);
    execute format('create trigger remember_removed after delete on %s referencing old table as was
        for each statement execute function pressboard.remember_removed()', hosted);
    execute format('create trigger remember_emptied before truncate on %s
        for each statement execute function pressboard.remember_emptied()', hosted);
end
$$;

-- Visitors may ask every table, and get what its row security lets them see: of a table without a grant, nothing.
do $$
declare hosted regclass;
begin
    for hosted in select c.oid from pg_class c where c.relnamespace = 'hosted'::regnamespace and c.relkind = 'r' loop
        perform remember(hosted);
        execute format('grant select on %s to pressboard_visitor', hosted);
    end loop;
end
$$;

-- Removed tables wait here.
create schema hosted_bin;

revoke execute on function current_act(text), remember_added(), remember_changed(), remember_removed(),
    remember_emptied(), remember(regclass) from public;
