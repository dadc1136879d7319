-- A change says how many of the rows that were there it altered or took away. A count from before it, less these, is
-- still certain. Each of several changes in one transaction is told: equal messages would be told once.
drop function rows_changed() cascade;

-- For a change of which the trigger knows how many rows it lost: none, or all.
create function rows_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('pressboard_changes', 'rows ' || tg_table_name || ' ' || tg_argv[0]);
    return null;
end
$$;

create function rows_lost() returns trigger language plpgsql as $$
begin
    perform pg_notify('pressboard_changes',
        'rows ' || tg_table_name || ' ' || (select count(*) from lost) || ' ' || gen_random_uuid());
    return null;
end
$$;

-- Makes a table of the owner's tell of its changes.
create function watch(hosted regclass) returns void language plpgsql as $$
begin
    execute format('create trigger pressboard_added after insert on %s
        for each statement execute function pressboard.rows_changed(%L)', hosted, '0');
    execute format('create trigger pressboard_altered after update on %s referencing old table as lost
        for each statement execute function pressboard.rows_lost()', hosted);
    execute format('create trigger pressboard_removed after delete on %s referencing old table as lost
        for each statement execute function pressboard.rows_lost()', hosted);
    execute format('create trigger pressboard_emptied after truncate on %s
        for each statement execute function pressboard.rows_changed(%L)', hosted, 'all');
end
$$;

do $$
declare hosted regclass;
begin
    for hosted in select c.oid from pg_class c where c.relnamespace = 'hosted'::regnamespace and c.relkind = 'r' loop
        perform watch(hosted);
    end loop;
end
$$;
