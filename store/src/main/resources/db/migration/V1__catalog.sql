-- What Pressboard knows of the owner's site. The owner's rows are in the schema "hosted".

create extension if not exists pg_trgm;

-- Rows leave for visitors under this role, which sees what row security lets it see.
-- Roles belong to the whole server: another database on it may have made the role already.
do $$
begin
    if not exists (select from pg_roles where rolname = 'pressboard_visitor') then
        create role pressboard_visitor nologin;
    end if;
exception
    when duplicate_object or unique_violation then null;
end
$$;

do $$
begin
    if not pg_has_role(current_user, 'pressboard_visitor', 'member') then
        execute format('grant pressboard_visitor to %I', current_user);
    end if;
end
$$;

create schema hosted;
grant usage on schema hosted to pressboard_visitor;

create table site (
    id       smallint primary key default 1 check (id = 1),
    name     text not null,
    language text not null
);
insert into site (name, language) values ('My site', 'en');

create table account (
    id            bigint generated always as identity primary key,
    email         text not null,
    name          text not null,
    password_hash text not null,
    role          text not null check (role in ('OWNER', 'EDITOR', 'MEMBER')),
    created_at    timestamptz not null
);
create unique index account_email on account (lower(email));

-- Links that are good once, such as the one that makes the owner.
create table welcome_link (
    token_hash text primary key,
    created_at timestamptz not null
);

create table hosted_table (
    key        text primary key,
    label      text not null,
    fields     jsonb not null,
    created_at timestamptz not null
);

create table table_grant (
    id         bigint generated always as identity primary key,
    table_key  text not null references hosted_table on delete cascade,
    audience   text not null,
    verb       text not null,
    rows       jsonb not null
);
create index table_grant_table on table_grant (table_key);

create table page (
    key        text primary key,
    title      text not null,
    draft      jsonb not null,
    edition    integer,
    position   integer not null,
    created_at timestamptz not null
);

create table edition (
    page_key     text not null references page on delete cascade,
    number       integer not null,
    content      jsonb not null,
    published_at timestamptz not null,
    published_by bigint references account on delete set null,
    primary key (page_key, number)
);
alter table page add foreign key (key, edition) references edition (page_key, number) deferrable initially deferred;

create table picture (
    table_key  text not null references hosted_table on delete cascade,
    name       text not null,
    media_type text not null,
    bytes      bytea not null,
    primary key (table_key, name)
);

create table intake (
    id           uuid primary key,
    file_name    text not null,
    file_size    bigint not null,
    status       text not null,
    survey       jsonb,
    plan         jsonb,
    problems     jsonb,
    rows_done    bigint not null default 0,
    rows_aside   bigint not null default 0,
    table_key    text,
    page_key     text,
    created_at   timestamptz not null,
    beat_at      timestamptz not null
);

create table intake_chunk (
    intake_id uuid not null references intake on delete cascade,
    position  integer not null,
    bytes     bytea not null,
    primary key (intake_id, position)
);
alter table intake_chunk alter column bytes set storage external;

create table kept_aside (
    id        bigint generated always as identity primary key,
    intake_id uuid not null references intake on delete cascade,
    line      bigint not null,
    reasons   jsonb not null,
    texts     jsonb not null
);
create index kept_aside_intake on kept_aside (intake_id, id);

-- Tells every node which rows changed, whoever changed them.
create function rows_changed() returns trigger language plpgsql as $$
begin
    perform pg_notify('pressboard_changes', 'rows ' || tg_table_name);
    return null;
end
$$;
