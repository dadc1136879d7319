-- What compares with nothing does not hold, "not" is always the opposite, and a span is one condition of its own: definitions
-- of before say the same in the new words.

create function said_anew(was jsonb) returns jsonb language plpgsql immutable as $$
declare
    part jsonb;
    one jsonb;
    other jsonb;
    anew jsonb;
begin
    if jsonb_typeof(was) = 'array' then
        select coalesce(jsonb_agg(pressboard.said_anew(each.value) order by each.place), '[]') into anew
        from jsonb_array_elements(was) with ordinality each (value, place);
        return anew;
    elsif jsonb_typeof(was) <> 'object' then
        return was;
    end if;
    select coalesce(jsonb_object_agg(each.key, pressboard.said_anew(each.value)), '{}') into anew from jsonb_each(was) each;
    if anew ->> 'is' not in ('any', 'all') or jsonb_typeof(anew -> 'parts') <> 'array' or jsonb_array_length(anew -> 'parts') <> 2 then
        return anew;
    end if;
    one := anew -> 'parts' -> 0;
    other := anew -> 'parts' -> 1;
    -- "is not so, or is empty"
    if anew ->> 'is' = 'any' and other ->> 'is' = 'empty' then
        part := case when one ->> 'is' = 'not' then one -> 'part' else one end;
        if part ->> 'field' = other ->> 'field' and ((one ->> 'is' = 'compare' and one ->> 'operator' = 'DIFFERS')
                or (one ->> 'is' = 'not' and (part ->> 'is' = 'one-of'
                    or (part ->> 'is' = 'compare' and part ->> 'operator' in ('CONTAINS', 'BEGINS', 'EQUALS'))))) then
            return one;
        end if;
    end if;
    -- "at least this, and at most that"
    if anew ->> 'is' = 'all' and one ->> 'is' = 'compare' and other ->> 'is' = 'compare' and one ->> 'field' = other ->> 'field'
            and one ->> 'operator' = 'AT_LEAST' and other ->> 'operator' = 'AT_MOST'
            and one -> 'operand' ->> 'from' = 'fixed' and other -> 'operand' ->> 'from' = 'fixed' then
        return jsonb_build_object('is', 'between', 'field', one -> 'field', 'least', one -> 'operand',
            'greatest', other -> 'operand');
    end if;
    return anew;
end
$$;

update page set draft = said_anew(draft) where draft is distinct from said_anew(draft);
update edition set content = said_anew(content) where content is distinct from said_anew(content);
update draft_step set before = said_anew(before), after = said_anew(after);
update hosted_table set definition = said_anew(definition) where definition is distinct from said_anew(definition);
update table_grant set rows = said_anew(rows) where rows is distinct from said_anew(rows);
update member_group set rows = said_anew(rows) where rows is distinct from said_anew(rows);
update act set details = said_anew(details) where details is distinct from said_anew(details);

drop function said_anew(jsonb);
