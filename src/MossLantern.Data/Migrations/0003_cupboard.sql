-- The moulds and the pots of paint of the workshop, and what happened to moulds beside the castings of the log.
create table mould (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;

create table pot (
    id text primary key,
    name text not null,
    version integer not null,
    document text not null,
    created_at text not null,
    saved_at text not null
) strict;

create table mould_use (
    id text primary key,
    mould_id text not null references mould (id),
    used_at text not null,
    what text not null,
    castings integer not null,
    hottest_c real,
    saved_at text not null
) strict;

create index use_of_mould on mould_use (mould_id, used_at);
