-- Each listing of the site has a key of its own, by which its rows are asked for: no two pages have one of the same key, be it
-- in a draft, in an edition, or in a step that can be taken back.
create table listing_key (
    key text primary key,
    page_key text not null references page on update cascade on delete cascade
);

create function listing_keys(content jsonb) returns setof text language sql immutable as $$
    select each ->> 'key' from jsonb_array_elements(coalesce(content #> '{page,listings}', '[]')) each
$$;

create function with_key(content jsonb, path text[], property text, was text, anew text) returns jsonb language sql immutable as $$
    select case when jsonb_typeof(content #> path) = 'array' and jsonb_array_length(content #> path) > 0 then
        jsonb_set(content, path, (select jsonb_agg(case when each.value ->> property = was
            then jsonb_set(each.value, array[property], to_jsonb(anew)) else each.value end order by each.place)
            from jsonb_array_elements(content #> path) with ordinality each (value, place)))
        else content end
$$;

create function calling_anew(content jsonb, was text, anew text) returns jsonb language sql immutable as $$
    select pressboard.with_key(pressboard.with_key(content, '{page,listings}', 'key', was, anew), '{page,access,listings}', 'listing', was, anew)
$$;

do $$
declare
    each record;
    free text;
begin
    for each in select distinct p.created_at, p.key as page, k.key from pressboard.page p,
            lateral (select pressboard.listing_keys(p.draft) union select pressboard.listing_keys(e.content) from pressboard.edition e where e.page_key = p.key
                union select pressboard.listing_keys(s.before) from pressboard.draft_step s where s.page_key = p.key
                union select pressboard.listing_keys(s.after) from pressboard.draft_step s where s.page_key = p.key) k (key)
            order by 1, 2, 3 loop
        free := each.key;
        for i in 2 .. 1000000 loop
            insert into pressboard.listing_key values (free, each.page) on conflict do nothing;
            exit when found;
            free := each.key || '-' || i;
        end loop;
        if free <> each.key then
            update pressboard.page set draft = pressboard.calling_anew(draft, each.key, free) where key = each.page;
            update pressboard.edition set content = pressboard.calling_anew(content, each.key, free) where page_key = each.page;
            update pressboard.draft_step set before = pressboard.calling_anew(before, each.key, free),
                after = pressboard.calling_anew(after, each.key, free) where page_key = each.page;
        end if;
    end loop;
end
$$;

drop function calling_anew(jsonb, text, text);
drop function with_key(jsonb, text[], text, text, text);
drop function listing_keys(jsonb);
