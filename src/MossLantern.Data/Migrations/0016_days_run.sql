-- Days on which the program ran: what was taken off the shelf goes after so many of them, never by one wrong clock.
create table run_day (
    day text primary key
);
