-- Moments with their zone: what was stored before is of the zone that the application ran in.
alter table client alter column removed set data type timestamp with time zone;
alter table property alter column removed set data type timestamp with time zone;
alter table job alter column started set data type timestamp with time zone;
alter table job alter column ended set data type timestamp with time zone;
alter table sweep alter column started set data type timestamp with time zone;
alter table sweep alter column ended set data type timestamp with time zone;
alter table batch alter column created set data type timestamp with time zone;
alter table batch alter column undone set data type timestamp with time zone;
alter table handover alter column created set data type timestamp with time zone;

-- One sweep of a property at a time. Where several were under way, the last one goes on.
update sweep s set state = 'failed', ended = now()
where state = 'running' and exists (
    select 1 from sweep later where later.property_id = s.property_id and later.state = 'running' and later.id > s.id);
alter table sweep add column at_work bigint generated always as (case when state = 'running' then property_id end);
-- When what a sweep read was so, where that was earlier.
alter table sweep add column taken_at timestamp with time zone;
create unique index sweep_at_work on sweep (at_work);

-- Who changes a property right now; there is one place for each.
create table writer (
    property_id bigint primary key,
    work varchar(500) not null,
    since timestamp with time zone not null
);

-- Drafts under their own name, with the states in one vocabulary. The revision is that of the property when the draft was
-- written; the handover is the one that delivered it.
alter table written rename to draft;
alter table draft alter column draft rename to text;
alter table draft alter column state drop default;
alter table draft alter column state set null;
update draft set state = case when text is null or state = '' then null when state = 'handed-over' then 'delivered'
    else state end;
update draft set state = 'drafted' where text is not null and state is null;
alter table draft add column revision bigint default 0 not null;
alter table draft add column handover_id bigint;
update draft d set handover_id = (
    select max(l.handover_id) from handover_line l
    where l.item_id = d.id / 4
        and l.field = case mod(d.id, 4) when 0 then 'title' when 1 then 'description' else 'tags' end)
where state = 'delivered';
alter table draft add constraint draft_with_state check (
    (text is null) = (state is null) and (state is null
        or state in ('drafted', 'sent-back', 'approved', 'delivered', 'live')));
alter table change alter column before_state set null;
update change set before_state = case before_state when '' then null when 'handed-over' then 'delivered' else before_state end;

-- What was delivered, packed, byte for byte as it was.
create table handover_file (
    handover_id bigint primary key references handover,
    content binary large object not null
);

-- How often texts of a property have changed, and up to which change their findings were worked out.
alter table property add column text_changes bigint default 0 not null;
alter table property add column judged_changes bigint default 0 not null;
-- Rules have changed with this version: all findings are worked out anew.
update property set text_changes = 1;
alter table property drop column findings_due;

-- Why a page is not indexable: a code, and what goes with it.
alter table item add column noindex_reason varchar(20);
alter table item alter column obstacle rename to noindex_detail;
update item set noindex_reason = case
        when noindex_detail like 'it answers %' then 'status'
        when noindex_detail like 'it asks not to be indexed (%' then 'noindex'
        when noindex_detail like 'its canonical is %' then 'canonical'
        when noindex_detail like 'the same page as %' then 'same-page'
        when noindex_detail like 'robots.txt%' then 'blocked'
        else 'other' end
where noindex_detail is not null;
update item set noindex_detail = case noindex_reason
        when 'status' then substring(noindex_detail from 12)
        when 'noindex' then rtrim(substring(noindex_detail from 27), ')')
        when 'canonical' then substring(noindex_detail from 18)
        when 'same-page' then substring(noindex_detail from 18)
        else noindex_detail end
where noindex_detail is not null;
alter table item_before add column noindex_reason varchar(20);
alter table item_before alter column obstacle rename to noindex_detail;
update item_before set noindex_reason = 'other' where noindex_detail is not null;

-- Ids of items that are gone for good are not given again: others may still speak of them.
alter table property add column last_item bigint default 0 not null;

alter table source rename to page_markup;

-- The SHA-256 of the file of an import, in hex; null of one that an earlier version began.
alter table import_source add column hash varchar(64);
