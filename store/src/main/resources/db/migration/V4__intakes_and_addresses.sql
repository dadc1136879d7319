-- Files that wait are known again by their content, and are read by rules that changed.

alter table intake add column digest text, add column dialect jsonb;
create index intake_digest on intake (digest);

-- What was found in files that still wait is found anew, with one click, by the rules that hold now.
update intake set status = 'FAILED', survey = null, plan = null, problems = '[{"code": "intake.read-anew", "details": []}]'
where status <> 'DONE';

-- Of those that were brought in the headings are still needed.
update intake set survey = jsonb_build_object(
    'dialect', survey -> 'dialect' || '{"top": 0, "headed": true, "closing": false}',
    'columns', (select coalesce(jsonb_agg(jsonb_build_object(
            'heading', jsonb_build_object('written', found -> 'label', 'label', found -> 'label'),
            'filled', found -> 'filled', 'blanks', 0, 'fits', '{}'::jsonb, 'suggested', found -> 'suggested',
            'options', found -> 'options', 'looksLikeYears', found -> 'looksLikeYears') order by place), '[]')
        from jsonb_array_elements(survey -> 'columns') with ordinality as columns (found, place)),
    'rows', survey -> 'rows', 'ragged', survey -> 'ragged', 'blankLines', 0,
    'badBytes', '{"count": 0, "examples": []}'::jsonb, 'firstRows', survey -> 'firstRows')
where status = 'DONE' and survey is not null;

-- The address of a page can be changed; who comes by an earlier one is led on.
alter table edition drop constraint edition_page_key_fkey,
    add foreign key (page_key) references page on update cascade on delete cascade;

create table former_address (
    address  text primary key,
    page_key text not null references page on update cascade on delete cascade
);
