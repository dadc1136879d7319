-- Where references to several rows lead, with their foreign keys (see org.pressboard.schema.LinkTables).
create schema hosted_links;

-- Columns that are seen through fields of other tables by all who see those (see org.pressboard.schema.OpenFields).
create schema hosted_open;
grant usage on schema hosted_open to pressboard_visitor;
