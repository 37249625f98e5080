create extension if not exists btree_gist;
create table room(id int generated always as identity primary key, name text not null unique);
create table booking(
    room_id int not null references room,
    during daterange not null,
    note text,
    primary key (room_id, during),
    exclude using gist (room_id with =, during with &&)
);
create table pressing(id int primary key, at tsrange unique, span tstzrange not null, exclude using gist (span with &&));
create table shift(id serial primary key, name text, hours int4range not null, days datemultirange, exclude using gist (hours with &&));
create table spans(id int primary key, spans int4multirange not null, days datemultirange not null unique);

-- References to keys that are not the primary one, serial references, different parents.
create table account(id serial unique, accno text primary key, domain text unique);
create table posting(
    id serial primary key,
    account_id int not null references account(id),
    dom text references account(domain),
    amount numeric(10,2) not null
);
create table animal(
    id bigserial primary key,
    name text not null,
    mother bigint references animal(id),
    father bigint references animal(id),
    check (mother is null or mother <> father)
);
create table visit(id int generated always as identity primary key, day date not null default current_date);
create table follow_up(id serial primary key, visit_id serial references visit(id), note text);
create table invoice_of(visit_id serial primary key references visit(id), note text);

-- Keys over expressions and over some of the rows, narrow keys, texts of letters.
create table helper(
    id int generated always as identity primary key,
    visit_id int not null references visit,
    role text not null check (role in ('first','second','guest')),
    name text not null
);
create unique index one_first on helper(visit_id) where role = 'first';
create unique index helper_lower on helper(visit_id, lower(name));
create table open_period(id serial primary key, v int not null references visit, starts date not null,
    ends date check (ends is null or ends > starts));
create unique index one_open on open_period(v) where ends is null;
create table seat(
    row_code char(1) not null check (row_code in ('A','B','C','D','E','F')),
    number int not null check (number between 1 and 40),
    broken boolean not null default false,
    primary key (row_code, number)
);
create table board_role(role text primary key check (role in ('chair', 'treasurer', 'warden')));
create table board_term(role text not null references board_role, elected date not null, until date not null,
    primary key (role, elected), check (until > elected));
create table kind(k char(10) primary key check (k in ('red','white','rose')), note text);
create table code(code text primary key check (code ~ '^[A-Z]{2,4}$'), name varchar(10) unique check (name ~ '^[a-z]+$'));
create table session(username text not null, seen bigint not null, service text not null, node text not null,
    primary key (username, seen), unique (username, service, node));
create table person(id uuid primary key default gen_random_uuid(), email text not null unique,
    lower_email text generated always as (lower(email)) stored unique);
create unique index person_lower on person(lower(email));

-- Nothing that can be compared, values that no client can read, an unusual storage.
create table documents(a jsonb, b int4range);
create table places(a pg_lsn, b xid8);
create table term(id int primary key, until date not null default 'infinity', since timestamptz not null default '-infinity',
    t time not null default '24:00', note text);
create table reading(id bigint generated always as identity, taken date not null, value numeric(8,2), primary key (id, taken))
    partition by range (taken);
create table reading_2024 partition of reading for values from ('2024-01-01') to ('2025-01-01');
create table log(id serial primary key, at date not null, msg text);
create table log_2024(check (at >= date '2024-01-01' and at < date '2025-01-01')) inherits (log);

-- Functions that need each other.
create sequence numbers;
create function z_trim(t text) returns text language sql immutable as $$ select btrim(t) $$;
create function a_norm(t text) returns text language sql immutable as $$ select lower(z_trim(t)) $$;
create function a_norm(t text, n int) returns text language sql immutable as $$ select left(a_norm(t), n) $$;
create function a_next() returns text language sql as $$ select a_norm('X' || nextval('numbers')::text) $$;
create table item(id int generated always as identity primary key, code text not null default a_next(), name text not null,
    low text generated always as (a_norm(name, 3)) stored);
create unique index item_low on item (z_trim(name));
create view items as select id, a_norm(name) n from item;

-- Triggers that write elsewhere, that overwrite, that compare, and that refuse every change.
create table lot(id int generated always as identity primary key, name text not null, stock int not null default 0);
create table move(id int generated always as identity primary key, lot_id int not null references lot on delete cascade,
    qty int not null, created_at timestamptz not null default now(), updated_at timestamptz not null default now());
create table audit(id bigint generated always as identity primary key, lot_id int not null, what text not null);
create function on_move() returns trigger language plpgsql as $$ begin
    insert into audit(lot_id, what) select id, 'moved ' || new.qty from lot where id = new.lot_id;
    update lot set stock = stock + new.qty where id = new.lot_id;
    return new;
end $$;
create trigger on_move after insert on move for each row execute function on_move();
create function touch() returns trigger language plpgsql as $$ begin new.updated_at := now(); return new; end $$;
create trigger touch before update on move for each row execute function touch();
create table one(id int primary key, updated_at timestamptz not null default now());
create trigger touch before update on one for each row execute function touch();
create table reserve(id int generated always as identity primary key, lot_id int not null references lot, qty int not null check (qty > 0));
create function enough() returns trigger language plpgsql as $$ begin
    if (select stock from lot where id = new.lot_id) < new.qty then raise exception 'not enough'; end if;
    return new;
end $$;
create trigger enough before insert on reserve for each row execute function enough();
create table bill(id serial primary key, total numeric(8,2) not null, cancelled boolean not null default false);
create function refuse_closed() returns trigger language plpgsql as $$ begin
    if old.cancelled then raise exception 'bill % is cancelled', old.id; end if;
    return new;
end $$;
create trigger refuse_closed before update on bill for each row execute function refuse_closed();
create table fixed(id serial primary key, note text not null);
create trigger touch before update on fixed for each row execute function touch();
create table turn(id int primary key, begins timestamptz not null unique, ends timestamptz not null,
    constraint not_long check (ends > begins and ends - begins <= interval '10 hours'));
create table listed(id int primary key,
    words jsonb not null check (jsonb_typeof(words) = 'array' and jsonb_typeof(words -> 0) = 'string'));
create table hall(id int primary key, seats int not null check (seats between 1 and 60), taken smallint not null,
    constraint room check (taken >= 0 and taken <= seats));
create table member(id int primary key, mail text not null, gone boolean not null default false,
    live_mail text generated always as (case when gone then null else lower(mail) end) stored unique);
create table aged(id int primary key, age int, note text);
create function aged() returns trigger language plpgsql as $$ begin new.note := 'aged'; return new; end $$;
create trigger aged before update on aged for each row when (old.age is distinct from new.age) execute function aged();
-- A change is refused of a row whose text is no document, and accepted of one without a text.
create table lease(id int primary key, host text not null, context text);
create function context_is_read() returns trigger language plpgsql as $$ begin
    if old.context is not null then perform old.context::json -> 'limits'; end if;
    return new;
end $$;
create trigger context_is_read before update on lease for each row execute function context_is_read();
-- Checks that only a list without items, a range without an end and a domain's own words break.
create domain short_code as text constraint short_code_form check (value ~ '^[A-Z]{2,4}$');
create table blend(id int primary key, code short_code not null, grapes text[] not null,
    parts int[] not null, season daterange not null,
    constraint blend_grapes check (cardinality(grapes) between 1 and 4),
    constraint blend_parts check (0 < all (parts)),
    constraint blend_season check (not isempty(season) and not upper_inf(season)));
create table tie(id int primary key, lot_id int not null references lot, other_id int references lot,
    constraint tie_two check (lot_id <> other_id or other_id is null));
-- Keys of a few bits: eight rows at most, and two columns that distinguish 256 together.
create table valve(setting bit(3) primary key, note text);
create table rack(shelf bit(4) not null, place bit varying(4) not null, note text, primary key (shelf, place));
create table rack_key(mask bit varying primary key, shelf bit(4), place bit varying(4),
    foreign key (shelf, place) references rack (shelf, place));
