-- What became of a row that somebody sent and that was rejected, for its sender to read where they sent it.
create table rejection (
    id bigint generated always as identity primary key,
    table_key text not null references hosted_table on delete cascade,
    of_row bigint not null,
    sender text not null,
    called text not null,
    words text not null,
    at timestamptz not null default now()
);

create index on rejection (sender);
create index on rejection (at);
