-- A step back or forward has an id of its own, as a change has: sent again, it is taken once.
create table taken_step (
    id text primary key,
    piece_id text not null references piece (id)
);
