-- Windows go by sitting; what was kept before names a layer, which had one sitting of its own id.
alter table kept_window add column sitting_id text;
