-- What is poured in part is told as that.
delete from kept_plan;

alter table kept_plan add column begun integer not null default 0;

alter table kept_window add column half integer not null default 0;
