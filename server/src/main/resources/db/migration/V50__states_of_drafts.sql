-- How far a draft has come that is not just drafted any more: apart from its text, since deciding about many drafts or
-- delivering them wrote their texts again. A draft without a row here is drafted.
create table draft_state (
    field_id bigint primary key,
    state varchar(20) not null,
    handover_id bigint,
    check (state in ('sent-back', 'approved', 'released', 'delivered', 'live'))
);

insert into draft_state (field_id, state, handover_id)
select id, state, handover_id from draft where state <> 'drafted' order by id;

alter table draft drop constraint draft_with_state;
alter table draft drop column (state, handover_id);
