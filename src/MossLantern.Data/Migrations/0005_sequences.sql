-- Sequences of colours, kept by name to be laid again.
create table sequence (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;
