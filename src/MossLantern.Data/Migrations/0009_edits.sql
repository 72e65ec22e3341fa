-- What a step did, in words, for the one who undoes it; and the id of the change that made it, so that the same one sent twice is taken
-- once. Earlier steps have neither.
alter table piece_revision add column words text;
alter table piece_revision add column edit_id text;
create unique index revision_of_edit on piece_revision (piece_id, edit_id) where edit_id is not null;
