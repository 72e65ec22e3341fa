-- What happened at the bench, as entries that are only ever added: one that is put right is replaced by a later one. A run is what was
-- done in one go; each of its parts is a sitting of a piece, at the revision that was poured. Until a piece has sittings of its own, a
-- layer is one. The version of a run counts its saves, as that of a piece does.
create table journal_run (
    id text primary key,
    version integer not null,
    saved_at text not null
) strict;

create table run_part (
    run_id text not null references journal_run (id),
    piece_id text not null references piece (id),
    sitting_id text not null,
    revision integer,
    primary key (run_id, piece_id, sitting_id),
    foreign key (piece_id, revision) references piece_revision (piece_id, revision)
) strict;

create index part_of_piece on run_part (piece_id, sitting_id);
create index part_of_revision on run_part (piece_id, revision);

create table entry (
    seq integer primary key autoincrement,
    id text not null unique,
    run_id text references journal_run (id),
    piece_id text references piece (id),
    sitting_id text,
    step_id text,
    copy integer,
    kind text not null,
    at text not null,
    page_at text,
    arrived_at text not null,
    place text,
    vessel text,
    ml real,
    grams real,
    celsius real,
    words text,
    photo_sha text,
    replaces text references entry (id)
) strict;

create index entry_of_run on entry (run_id, seq);
create index entry_of_piece on entry (piece_id, seq);
create index entry_replaced on entry (replaces);

create trigger entry_stays before update on entry
begin
    select raise(abort, 'An entry of the journal is never changed: another one replaces it.');
end;

insert into journal_run (id, version, saved_at) select id, version, saved_at from run;

-- A revision that was let go by an older program is unknown.
insert into run_part (run_id, piece_id, sitting_id, revision)
select r.id, r.piece_id, r.layer_id, (select v.revision from piece_revision v where v.piece_id = r.piece_id and v.revision = r.revision) from run r;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at)
select lower(hex(randomblob(16))), id, piece_id, layer_id, 'started', started_at, saved_at from run order by started_at, id;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at)
select lower(hex(randomblob(16))), id, piece_id, layer_id, 'ended', ended_at, saved_at from run where ended_at is not null order by started_at, id;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at, celsius)
select lower(hex(randomblob(16))), id, piece_id, layer_id, 'room', started_at, saved_at, room_c from run where room_c is not null order by started_at, id;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at, words)
select lower(hex(randomblob(16))), id, piece_id, layer_id, 'noted', started_at, saved_at, note from run where note <> '' order by started_at, id;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at, place, ml, words)
select lower(hex(randomblob(16))), r.id, r.piece_id, r.layer_id, 'planned', r.started_at, r.saved_at, p.region_id, p.planned_ml, p.colour_name
from run_pour p join run r on r.id = p.run_id order by r.started_at, r.id, p.position;

insert into entry (id, run_id, piece_id, sitting_id, kind, at, arrived_at, place, ml)
select lower(hex(randomblob(16))), r.id, r.piece_id, r.layer_id, 'poured', r.started_at, r.saved_at, p.region_id, p.poured_ml
from run_pour p join run r on r.id = p.run_id where p.poured_ml is not null order by r.started_at, r.id, p.position;

drop table run_pour;
drop table run;

-- The names that revisions were given: a version is what a save is based on, and nothing else.
create table revision_name (
    piece_id text not null,
    revision integer not null,
    name text not null,
    named_at text not null,
    primary key (piece_id, revision),
    foreign key (piece_id, revision) references piece_revision (piece_id, revision)
) strict;

insert into revision_name (piece_id, revision, name, named_at)
select v.piece_id, v.revision, v.name, v.named_at from piece_version v
where exists (select 1 from piece_revision r where r.piece_id = v.piece_id and r.revision = v.revision);

drop table piece_version;

create index revision_made_from on piece_revision (piece_id, made_from, revision);

-- How often the journal of a piece was written in: what was worked out with it is told by this.
alter table piece add column logged integer not null default 0;
update piece set logged = (select coalesce(sum(r.version), 0) from run_part p join journal_run r on r.id = p.run_id where p.piece_id = piece.id);

-- What is worked out of a piece and asked for again and again: told by the version, the journal and the surroundings it was worked out in.
create table kept_plan (
    piece_id text primary key references piece (id) on delete cascade,
    of text not null,
    foot_mm real not null,
    layers integer not null,
    poured integer not null,
    beneath_id text,
    problem text
) strict;

create table kept_window (
    piece_id text not null references kept_plan (piece_id) on delete cascade,
    position integer not null,
    layer_id text not null,
    layer_name text not null,
    poured integer not null,
    milestone text not null,
    opens_at text not null,
    closes_at text,
    primary key (piece_id, position)
) strict;
