-- The owner's own words at the foot of each page; empty: nothing stands there.
alter table pressboard.site add column foot text not null default '';
