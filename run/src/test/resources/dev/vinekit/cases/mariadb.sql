create function z_low(t varchar(40)) returns varchar(40) deterministic return lower(t);
create table item(id int auto_increment primary key, name varchar(40) not null, kind enum('a','b') not null default 'a');
create view items as select id, z_low(name) n from item;
create table bin(id int auto_increment primary key, state enum('x','y') not null, note varchar(20), e char(4)) character set binary;
create table part(id int not null auto_increment, y int not null, primary key (id, y)) partition by key (y) partitions 4;
create table part2(id int not null, y int not null, primary key (id, y))
    partition by range (y) (partition p0 values less than (2020) engine = InnoDB, partition p1 values less than maxvalue engine = InnoDB);
create table d1(id int auto_increment primary key, a int not null, b int not null, unique (a), unique (a, b));
create table aged(id int auto_increment primary key, n varchar(10)) engine=myisam;
create table k(k char(10) primary key, constraint kk check (k in ('red','white')));
create table word(code char(3) primary key, constraint letters check (code regexp '^[A-Z]{3}$'));
-- Keys of a few bits: eight rows at most, and two columns that distinguish 256 together.
create table valve(setting bit(3) primary key, note varchar(40));
create table rack(shelf bit(4) not null, place bit(4) not null, note varchar(40), primary key (shelf, place));
create table rack_key(mask bit(40) primary key, shelf bit(4), place bit(4),
    foreign key (shelf, place) references rack (shelf, place));
-- A change is refused of a row whose text is no document, and accepted of one without a text.
create table lease(id int primary key, host varchar(40) not null, context text);
delimiter $$
create trigger context_is_read before update on lease for each row
begin
    if old.context is not null and not json_valid(old.context) then
        signal sqlstate '45000' set message_text = 'the context is no document';
    end if;
end $$
create procedure note_change(in what varchar(20))
begin
    # A comment that hasn't its second quote; and a semicolon.
    if what = 'x' then \
        select 1;
    end if;
end $$
create procedure after_it() begin select 2; end $$
delimiter ;
source no-such-file.sql
