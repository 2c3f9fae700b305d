-- Every kind of object that a dump defines besides rows, in shapes that trip readers up.
create schema watch; comment on schema watch is 'it''s watch';
create table watch.a (id bigint generated always as identity primary key, "Weird Col" text default 'it''s; x' collate "C", n numeric(10,2) default (1+2)*3 not null, g int generated always as (length('abc')) stored, d date default now(), unique ("Weird Col", n), check (n > 0), constraint "Odd Name" check ("Weird Col" <> 'AS
x'));
create table watch.b (a_id bigint references watch.a on delete cascade deferrable initially deferred, r int4range, exclude using gist (r with &&));
create table watch.child (extra int default 7) inherits (watch.a);
create table watch.p (k int not null, t timestamptz default current_timestamp, primary key (k)) partition by range (k);
create table watch.p1 partition of watch.p for values from (0) to (10);
create table watch.p2 partition of watch.p default;
create index on watch.p (t); create unique index "Idx Q" on watch.a (lower("Weird Col") text_pattern_ops desc nulls last) include (n) where n > 5;
create function watch.f(a int) returns int language sql as 'select a + 1';
create function watch.f(a text, b int default 3) returns text language plpgsql as $x$ begin return a || ' AS $$' ; end $x$;
create procedure watch.pr(inout x int) language plpgsql as $$ begin x := x*2; end $$;
create aggregate watch.agg(int) (sfunc = int4pl, stype = int);
create function watch.trg() returns trigger language plpgsql as $$ begin return new; end $$;
create trigger tt before insert or update of k on watch.p for each row when (new.k > 3) execute function watch.trg();
create constraint trigger ct after insert on watch.a deferrable for each row execute function watch.trg();
alter table watch.a enable row level security; create policy pol on watch.a for select using (n > 1);
create view watch.v with (security_barrier) as select id, 'x AS
y'::text as t from watch.a; comment on view watch.v is 'view'; comment on column watch.v.t is 'vc';
create view watch.v2 as select * from watch.v where id > 1 with local check option;
create materialized view watch.m as select count(*) c from watch.a; create index mi on watch.m (c);
create type watch.e as enum ('a','b''c','d"e'); create type watch.comp as (x int, y text); create type watch.rng as range (subtype = float8);
create domain watch.dom as int default 4 check (value > 0); comment on domain watch.dom is 'dd';
create sequence watch.sq start 5; alter table watch.a alter n set default nextval('watch.sq');
comment on table watch.a is 'T'; comment on column watch.a."Weird Col" is 'C on D'; comment on constraint "Odd Name" on watch.a is 'con'; comment on index watch."Idx Q" is 'ix'; comment on function watch.f(int) is 'fn'; comment on trigger tt on watch.p is 'trg'; comment on policy pol on watch.a is 'p'; comment on sequence watch.sq is 'line1
line2'; comment on type watch.e is 'type'; comment on materialized view watch.m is 'mv'; comment on aggregate watch.agg(int) is 'ag';
grant select, insert on watch.a to warden; grant select on watch.a to public; grant all on watch.b to warden with grant option; grant update ("Weird Col") on watch.a to warden; grant usage on schema watch to warden; grant usage on sequence watch.sq to warden; grant execute on function watch.f(int) to warden; revoke execute on function watch.f(text,int) from public; grant select on watch.v to warden;
create rule rr as on insert to watch.v do instead nothing;
create function watch.et() returns event_trigger language plpgsql as $$ begin end $$; create event trigger evt on ddl_command_end execute function watch.et();
create statistics watch.st (dependencies) on id, n from watch.a;
create operator watch.=== (leftarg = int, rightarg = int, procedure = int4eq);
comment on operator watch.=== (int,int) is 'op';
create view watch.c1 as select 1 as x; create view watch.c2 as select * from watch.c1;
create table watch.serial (id serial, s smallserial);
create unlogged table watch.unl (x int); create table watch.nn (x int not null);
