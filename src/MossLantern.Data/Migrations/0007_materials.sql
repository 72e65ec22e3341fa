-- What the person has entered of materials: of one of the catalogue by its kind and id, or of one of their own.
create table material (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;
