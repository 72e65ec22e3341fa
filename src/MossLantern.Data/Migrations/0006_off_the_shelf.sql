-- A piece that is taken off the shelf is kept aside for a while. A log keeps the revision that was poured; of older ones it is unknown.
alter table piece add column taken_off_at text;
alter table run add column revision integer;
