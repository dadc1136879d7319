-- The pages on which a picture of the owner's stands or has stood, in the draft or in an edition.
create table page_file (
    content  text not null references file on delete cascade,
    page_key text not null references page on update cascade on delete cascade,
    primary key (content, page_key)
);
create index page_file_page on page_file (page_key);
