-- Each step that changed the draft of a page, so that it can be taken back and made again.
create table draft_step (
    id         bigint generated always as identity primary key,
    page_key   text not null references page on update cascade on delete cascade,
    at         timestamptz not null default now(),
    who        text not null,
    before     jsonb not null,
    after      jsonb not null,
    taken_back boolean not null default false
);
create index draft_step_page on draft_step (page_key, id);
