-- Columns without a type that anyone knows, and a full-text table.
create table setting(name primary key, value);
create table tank(id integer primary key, label string not null, code raw(20), payload);
create virtual table tank_search using fts5(body, title);
create table loose(a, b);
create table cask(id serial primary key, label text not null);
create table stave(id bigserial primary key, cask_id serial references cask(id));

-- References without a target, and one to a column that is no key.
create table vat(id integer primary key, label text not null);
create table pump(id integer primary key, vat_no integer references vat(number), note text);
create table hose(id integer primary key, pump_id integer references pumps(id), note text);
create table clamp(id integer primary key, hose_id integer not null references hose(id));
create table clip(id integer primary key, thing_id integer not null references absent(id));

-- Defaults that say more than the declared type.
create table batch(
    id integer primary key,
    name text not null,
    made datetime not null default (strftime('%Y-%m-%dT%H:%M:%fZ','now')),
    seen datetime default (datetime('now')),
    day date default (date('now')),
    stamp timestamp default current_timestamp,
    at text default (strftime('%Y-%m-%dT%H:%M:%SZ','now')),
    received numeric not null default (datetime('now')),
    cleaned datetime default 0,
    secs integer default (strftime('%s','now')),
    u integer default (unixepoch())
);

-- References of one row to different rows, to itself by default, and to a key that is not the primary one.
create table animal(
    id integer primary key,
    name text not null,
    mother integer references animal(id),
    father integer references animal(id),
    check (mother is null or mother <> father)
);
create table pool(id integer primary key, name text not null unique, next_pool integer references pool default 0);
create table account(id int unique, accno varchar(20) primary key, dom varchar(20) unique);
create table posting(
    id integer primary key,
    account_id int not null references account(id),
    dom varchar(20) references account(dom)
);

-- Two keys that one copied row breaks.
create table session(
    username text not null,
    seen bigint not null,
    service text not null,
    node text not null,
    primary key (username, seen),
    unique (username, service, node)
);
create table grade(code char(1) primary key check (code in ('a','b','c')), label text not null);
