-- Files beside the rows, each content once, by the SHA-256 digest of its bytes; in pieces, so that none is ever held
-- whole in memory to be given out.
create table file (
    content    text primary key check (content ~ '^[0-9a-f]{64}$'),
    media_type text not null,
    size       bigint not null,
    added_at   timestamptz not null default now()
);

create table file_piece (
    content  text not null references file on delete cascade,
    position integer not null,
    bytes    bytea not null,
    primary key (content, position)
);
alter table file_piece alter column bytes set storage external;

-- Small copies of pictures, by their longer edge.
create table thumbnail (
    content text not null references file on delete cascade,
    edge    integer not null,
    bytes   bytea not null,
    primary key (content, edge)
);
alter table thumbnail alter column bytes set storage external;

-- The tables in whose rows, present or remembered, a file stands; one that stands in none is thrown away after a while.
create table file_use (
    content   text not null references file on delete cascade,
    table_key text not null references hosted_table on delete cascade,
    primary key (content, table_key)
);
create index file_use_table on file_use (table_key);

-- The pictures of a file that is being brought in, by their names in the archive; of those that cannot be kept, why.
create table intake_picture (
    intake_id uuid not null references intake on delete cascade,
    name      text not null,
    content   text references file,
    refused   jsonb,
    primary key (intake_id, name)
);

-- The contents of the files in a column of several, for its index.
create function hosted.contents(files text[]) returns text[] language sql immutable parallel safe as $$
    select array_agg(left(file, 64)) from unnest(files) as each (file)
$$;

-- Pictures were kept by table and name.
insert into file (content, media_type, size)
select distinct on (1) encode(sha256(bytes), 'hex'), media_type, length(bytes) from picture;
insert into file_piece (content, position, bytes)
select distinct on (1) encode(sha256(bytes), 'hex'), 0, bytes from picture;
insert into file_use (content, table_key) select distinct encode(sha256(bytes), 'hex'), table_key from picture;

do $$
declare
    each record;
begin
    perform set_config('pressboard.quiet', 'on', true);
    for each in
        select kept.key as table_key, c.oid::regclass as hosted, field ->> 'key' as field from pressboard.hosted_table kept
        join pg_class c on c.relname = kept.key and c.relkind = 'r'
            and c.relnamespace in ('hosted'::regnamespace, 'hosted_bin'::regnamespace)
        cross join jsonb_array_elements(kept.definition -> 'fields') field
        where field -> 'type' ->> 'type' = 'picture' and coalesce(field ->> 'computed', 'null') = 'null'
    loop
        execute format('update %1$s kept set %2$I = encode(sha256(picture.bytes), ''hex'') || ''/'' || picture.name
            from pressboard.picture where picture.table_key = %3$L and picture.name = kept.%2$I', each.hosted, each.field, each.table_key);
        execute format('create index %I on %s (left(%I, 64))', left(each.table_key, 18) || '_' || left(each.field, 18)
            || '_files_' || left(md5(each.table_key || '.' || each.field || '.files'), 8), each.hosted, each.field);
    end loop;
    perform set_config('pressboard.quiet', '', true);
end
$$;
drop table picture;
