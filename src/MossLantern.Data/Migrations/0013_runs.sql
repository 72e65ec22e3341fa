-- Whether somebody noted the moment of an entry; what was written before does not say, and is read by its kind.
alter table entry add column at_noted integer;

-- One counter of a piece's journal, whoever writes in it: what was worked out with it is told by this.
create trigger entry_counts after insert on entry when new.piece_id is not null
begin
    update piece set logged = logged + 1 where id = new.piece_id;
end;

-- What is weighed is asked for by its sitting.
create index entry_of_sitting on entry (piece_id, sitting_id, seq);
