-- A number for the state of the catalog, and one for that of each table's rows, that every node reads alike: given out by the
-- database within the transaction that makes a change, one beyond the last, and carried by its notification.
create table revision (
    what text primary key,
    number bigint not null,
    -- how many rows were altered or removed ever: of a count from before, those besides are still certain
    lost bigint not null
);

-- What a transaction has changed and not numbered yet. Numbered is at its end, so that whoever changes much does not have
-- others wait all the while.
create unlogged table touched (
    transaction xid8 not null,
    what text not null,
    lost bigint not null,
    primary key (transaction, what)
);

create function touch(text, bigint) returns void language sql
    security definer set search_path = pg_catalog, pg_temp as $$
    insert into pressboard.touched as before (transaction, what, lost) values (pg_current_xact_id(), $1, $2)
    on conflict (transaction, what) do update set lost = before.lost + excluded.lost
$$;

-- Numbers what the transaction has changed until now; in an order, so that no two wait for each other.
create function number_changes() returns setof revision language plpgsql
    security definer set search_path = pg_catalog, pg_temp as $$
declare
    each record;
    numbered pressboard.revision;
begin
    for each in select t.what, t.lost from pressboard.touched t where t.transaction = pg_current_xact_id() order by t.what loop
        insert into pressboard.revision as r (what, number, lost) values (each.what, 1, each.lost)
        on conflict (what) do update set number = r.number + 1,
            -- beyond this it begins anew, of which nothing is certain either
            lost = case when r.lost > 8000000000000000000 then 0 else r.lost + excluded.lost end
        returning * into numbered;
        perform pg_notify('pressboard_changes', numbered.what || ' ' || numbered.number || ' ' || numbered.lost);
        return next numbered;
    end loop;
    delete from pressboard.touched t where t.transaction = pg_current_xact_id();
end
$$;

create function changes_end() returns trigger language plpgsql
    security definer set search_path = pg_catalog, pg_temp as $$
begin
    perform pressboard.number_changes();
    return null;
end
$$;

create constraint trigger pressboard_numbered after insert on touched deferrable initially deferred
    for each row execute function changes_end();

-- Of a table that is emptied, or made anew, nothing that was counted before is certain.
create function all_lost() returns bigint language sql immutable as $$ select 1000000000000000 $$;

create or replace function rows_changed() returns trigger language plpgsql
    security definer set search_path = pg_catalog, pg_temp as $$
begin
    perform pressboard.touch('rows ' || tg_table_name, case tg_argv[0] when 'all' then pressboard.all_lost() else 0 end);
    return null;
end
$$;

create or replace function rows_lost() returns trigger language plpgsql
    security definer set search_path = pg_catalog, pg_temp as $$
begin
    perform pressboard.touch('rows ' || tg_table_name, (select count(*) from lost));
    return null;
end
$$;

create or replace function account_changed() returns trigger language plpgsql
    security definer set search_path = pg_catalog, pg_temp as $$
begin
    perform pressboard.touch('catalog', 0);
    return null;
end
$$;

revoke execute on function touch(text, bigint), number_changes(), changes_end(), all_lost(), rows_changed(), rows_lost(), account_changed()
    from public;

-- What must be done once for the site, and when it was done last; by the database's clock alone.
create table done_once (
    what text primary key,
    at timestamptz not null
);
