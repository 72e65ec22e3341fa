-- What a piece takes out of pots of paint: kept beside its windows, and worked out anew as they are.
create table kept_pot_take (
    piece_id text not null references kept_plan (piece_id) on delete cascade,
    position integer not null,
    pot_id text not null,
    what text not null,
    ml real not null,
    of_ground integer not null,
    taken integer not null,
    taken_at text,
    primary key (piece_id, position)
) strict;
