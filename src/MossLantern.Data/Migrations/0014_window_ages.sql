-- Windows are kept as ages and what they count from: a reading of the room moves them without a plan being worked out. What was kept is
-- worked out again.
delete from kept_plan;

drop table kept_window;

create table kept_window (
    piece_id text not null references kept_plan (piece_id) on delete cascade,
    position integer not null,
    sitting_id text not null,
    layer_id text not null,
    layer_name text not null,
    poured integer not null,
    milestone text not null,
    opens_hours real not null,
    closes_hours real,
    reference_c real not null,
    counts_from text not null,
    closes_from text not null,
    room_c real,
    primary key (piece_id, position)
) strict;
