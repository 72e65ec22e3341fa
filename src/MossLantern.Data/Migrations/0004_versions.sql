-- Names that the artist has given to revisions of a piece.
create table piece_version (
    piece_id text not null references piece (id),
    revision integer not null,
    name text not null,
    named_at text not null,
    primary key (piece_id, revision)
) strict;
