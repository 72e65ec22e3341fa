-- Recipes, kept by name to be mixed again; and what was cast from resin that was left over.
create table recipe (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;

create table left_over (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;
