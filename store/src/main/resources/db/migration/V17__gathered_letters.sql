-- Letters to the owner about rows that came in: one at once, the rows that follow soon are told together.
create table gathered (
    recipient text not null,
    about     text not null,
    rows      integer not null,
    since     timestamptz not null,
    primary key (recipient, about)
);
