-- A changed account counts at once, whoever changed it: every node hears of it as of any change of the catalog.
create function account_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('pressboard_changes', 'catalog');
    return null;
end
$$;

create trigger pressboard_account after insert or update or delete or truncate on account
    for each statement execute function pressboard.account_changed();

-- The address under which the world knows the site, and the one under which it was first signed in to.
alter table site add column public_address text, add column suggested_address text;

-- What somebody tried to sign in with is kept no more, nor are sessions of people who never did.
delete from spring_session where principal_name is null;

-- Nor may anybody but the owner make tables, be they for a moment.
do $$
begin
    execute format('revoke temporary on database %I from public', current_database());
end
$$;

-- Visitors' rows leave under a role that needs none of our functions.
revoke execute on function rows_changed(), rows_lost(), watch(regclass), account_changed() from public;
alter default privileges in schema pressboard revoke execute on functions from public;
