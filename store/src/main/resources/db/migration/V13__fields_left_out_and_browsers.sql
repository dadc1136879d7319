-- Fields that are left out of what a grant lets people do.
alter table table_grant add column without jsonb not null default '[]';

-- What is seen of fields that are not in all rows that somebody sees: a view for each table of which there are some. And
-- what refuses to write fields that are left out.
create schema hosted_partly;
grant usage on schema hosted_partly to pressboard_visitor;

-- Rows of people who are not signed in are found by their browsers.
do $$
declare hosted regclass;
begin
    for hosted in select oid from pg_class where relkind = 'r'
            and relnamespace in ('hosted'::regnamespace, 'hosted_bin'::regnamespace) loop
        execute format('create index on %s (_sender, row_id) where _sender is not null', hosted);
    end loop;
end
$$;
