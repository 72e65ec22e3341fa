-- Undo and redo walk the revisions. The version still counts every change, so a stale save is still told; the revision
-- says which document the piece shows, and each revision knows the one it was made from.
alter table piece add column revision integer not null default 1;
alter table piece_revision add column made_from integer;
update piece set revision = version;
update piece_revision set made_from = version - 1 where version > 1;
alter table piece_revision rename column version to revision;
