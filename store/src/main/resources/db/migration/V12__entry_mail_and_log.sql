-- Accounts are signed in to by links, too; leaving everywhere makes every session of before one that counts no more.
-- Those who may do nothing at the desk but see to rows have a role of their own.
alter table account
    add column epoch integer not null default 0,
    drop constraint account_role_check,
    add constraint account_role_check check (role in ('OWNER', 'EDITOR', 'ROW_EDITOR', 'MEMBER'));

-- What only this site knows: by it is sealed what browsers keep.
alter table site add column secret text;

alter table site add column sign_up text not null default 'INVITED' check (sign_up in ('OPEN', 'INVITED', 'CLOSED'));

-- Links that are good once and for a while. Of each only a hash is kept.
create table entry_link (
    token_hash text primary key,
    email      text not null,
    name       text not null default '',
    purpose    text not null check (purpose in ('SIGN_IN', 'PASSWORD', 'JOIN', 'INVITED')),
    role       text not null check (role in ('EDITOR', 'ROW_EDITOR', 'MEMBER')),
    expires_at timestamptz not null
);
create index entry_link_email on entry_link (email, purpose);

-- What is to be sent by mail, or would be if a mail server were named.
create table message (
    id          bigint generated always as identity primary key,
    recipient   text not null,
    subject     text not null,
    body        text not null,
    why         text not null,
    written_at  timestamptz not null default clock_timestamp(),
    state       text not null default 'WAITING' check (state in ('WAITING', 'SENT', 'FAILED')),
    tries       integer not null default 0,
    next_try_at timestamptz not null default clock_timestamp(),
    problem     text not null default ''
);
create index message_waiting on message (next_try_at) where state = 'WAITING';

-- Who did what, when and from where; kept for a year.
create table log_entry (
    id      bigint generated always as identity primary key,
    at      timestamptz not null default clock_timestamp(),
    what    text not null,
    account bigint,
    who     text not null,
    origin  text not null,
    about   text not null default ''
);
create index log_entry_at on log_entry (at);
create index log_entry_what on log_entry (what, id);

-- By whom, and through which form, a row was sent. No field of an owner's begins with an underscore.
do $$
declare hosted regclass;
begin
    for hosted in select oid from pg_class where relkind = 'r'
            and relnamespace in ('hosted'::regnamespace, 'hosted_bin'::regnamespace) loop
        execute format('alter table %s add column _sender text, add column _form text', hosted);
        execute format('create index on %s (_form, _sender) where _form is not null', hosted);
    end loop;
end
$$;

-- Tallies lock the row that they are of no more than they need: whoever adds a row that refers to it holds it already, as
-- others who do so at the same time, and each would wait for the other.
do $$
declare keeping record;
begin
    for keeping in select pg_get_functiondef(oid) as definition from pg_proc where pronamespace = 'pressboard'::regnamespace
            and prosrc like '%order by row_id for update;%' loop
        execute replace(keeping.definition, 'order by row_id for update;', 'order by row_id for no key update;');
    end loop;
end
$$;
