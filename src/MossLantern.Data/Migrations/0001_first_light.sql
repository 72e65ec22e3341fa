-- Pieces are versioned documents; every save is a revision row, and the piece row points at the newest.
create table piece (
    id text primary key,
    name text not null,
    version integer not null,
    width_mm real not null,
    height_mm real not null,
    area_mm2 real not null,
    created_at text not null,
    saved_at text not null
) strict;

create table piece_revision (
    piece_id text not null references piece (id),
    version integer not null,
    document text not null,
    saved_at text not null,
    primary key (piece_id, version)
) strict;

-- What really happened at the bench. An amount or time that nobody noted is null: unknown.
create table run (
    id text primary key,
    piece_id text not null references piece (id),
    layer_id text not null,
    version integer not null,
    started_at text not null,
    ended_at text,
    room_c real,
    note text not null,
    saved_at text not null
) strict;

create index run_of_piece on run (piece_id, layer_id);

create table run_pour (
    run_id text not null references run (id) on delete cascade,
    position integer not null,
    region_id text not null,
    colour_name text not null,
    planned_ml real not null,
    poured_ml real,
    primary key (run_id, position)
) strict;

create table setting (
    key text primary key,
    value text not null
) strict;
