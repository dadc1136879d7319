-- Where references to several rows lead, with their foreign keys (see org.pressboard.schema.LinkTables).
create schema hosted_links;
