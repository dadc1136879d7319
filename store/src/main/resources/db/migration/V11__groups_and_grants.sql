-- Groups of members, by a condition over their rows and by hand.
create table member_group (
    key      text primary key,
    label    text not null,
    rows     jsonb not null,
    by_hand  bigint[] not null default '{}',
    position integer not null default 0
);

-- Grants may be of own rows, and to groups.
alter table table_grant
    add column own boolean not null default false,
    add column group_key text references member_group on delete cascade;

-- What tells of changes and remembers them does so for whoever changed them, visitors among them.
do $$
declare keeping regprocedure;
begin
    for keeping in select oid::regprocedure from pg_proc where pronamespace = 'pressboard'::regnamespace
            and proname in ('current_act', 'remember_added', 'remember_changed', 'remember_removed', 'rows_changed', 'rows_lost') loop
        execute format('alter function %s security definer set search_path = pg_catalog, pg_temp', keeping);
    end loop;
end
$$;

-- Rows are changed from pages, too.
alter table act drop constraint act_origin_check,
    add constraint act_origin_check check (origin in ('DESK', 'PAGE', 'FILE', 'DEMO', 'DATABASE'));
