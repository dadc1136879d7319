-- Fields on which groups rest, and that a grant lets people write nonetheless.
alter table table_grant add column letting jsonb not null default '[]';

-- The site's time zone (where none is said yet, the machine's is taken at the first start), and which day it is there: tallies
-- that go by the day are all of that one.
alter table site
    add column zone text,
    add column today date not null default current_date;

create function today() returns date language sql stable as $$ select today from pressboard.site $$;
revoke execute on function today() from public;

-- What visitors had when an edition was published, which an earlier one put back may have been.
alter table edition add column follows integer;
