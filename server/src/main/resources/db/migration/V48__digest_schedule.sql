-- To whom the digest of a client goes by itself, and when next; what went wrong the last time, or null.
create table digest_schedule (
    client_id bigint primary key references client on delete cascade,
    recipient varchar(300) not null,
    every varchar(10) not null,
    next_day varchar(10) not null,
    problem varchar(2000)
);
