INSERT INTO boat (id, name) VALUES (1, 'Tern') , (2, 'Gull');
%%
insert into boat(id,name,built) values (1,'a',date '2020-01-01'), (2,'b',DATE'2020-02-02');
%%
INSERT INTO boat VALUES (1, 'a', '2020-01-01'::date, DEFAULT), (2,'b',NULL,(SELECT max(id)+1 FROM boat));
%%
INSERT INTO boat AS b (id,name) VALUES (1,'a') ON CONFLICT (id) DO UPDATE SET name = EXCLUDED.name WHERE b.name <> 'x' RETURNING *;
%%
WITH x AS (SELECT 1 AS id, 'a' AS name) INSERT INTO boat (id,name) SELECT * FROM x;
%%
WITH ins AS (INSERT INTO boat(id,name) VALUES (7,'q') RETURNING id) INSERT INTO crew(boat_id,name) SELECT id,'c' FROM ins;
%%
INSERT INTO crew DEFAULT VALUES;
%%
INSERT INTO boat (id,name) (SELECT 1,'a' UNION ALL SELECT 2,'b');
%%
INSERT INTO crew (name,tags,extra) VALUES ('a', ARRAY['x','y(,)'], '{"a": [1,2]}'::jsonb), ('b', '{}'::text[], jsonb_build_object('a',1));
%%
INSERT INTO crew (name,paid) VALUES ('it''s', -1.5), (E'it\'s\n', +2), (U&'d\0061t', 1e3), ($$dollar's$$, .5);
%%
INSERT INTO crew (name,since) VALUES ('a', CURRENT_TIMESTAMP), ('b', now() - interval '1 day'), ('c', timestamp with time zone '2020-01-01 00:00+00');
%%
INSERT INTO crew (name) VALUES ('a' || 'b'), ('a' 
 'b'), (upper('x')), (concat('a','b')), (format('%s','x'));
%%
INSERT INTO crew (name, paid) VALUES (NULL, NULL), ('x', 1 + 2 * 3), ('y', (1)), ('z', -(2)), ('w', 10 % 3);
%%
INSERT INTO crew (name, paid) VALUES ('x', CASE WHEN true THEN 1 ELSE 2 END), ('y', COALESCE(NULL, 3)), ('z', CAST('4' AS numeric));
%%
INSERT INTO crew (id, name) OVERRIDING SYSTEM VALUE VALUES (1, 'a');
%%
INSERT INTO public.boat VALUES(1,'a');INSERT INTO public.boat VALUES(2,'b');
%%
INSERT INTO "boat" ("id", "name") VALUES (1, 'a');
%%
INSERT INTO boat (name, id) VALUES ('a', 1);
%%
INSERT INTO boat VALUES (1, B'1'::text), (2, X'1F'::text);
%%
INSERT INTO boat VALUES (1, 'a', 'today'), (2, 'b', 'infinity'), (3,'c','epoch'), (4,'d','January 8, 1999'), (5,'e','1999-Jan-08'),(6,'f','19990108'),(7,'g','J2451187'),(8,'h','2020-1-5');
%%
INSERT INTO crew (paid) VALUES ('NaN'), ('1e2'), (' 5 '), ('0'), (1.);
%%
INSERT INTO boat VALUES (1, 'a', TO_DATE('01.02.2020','DD.MM.YYYY'));
%%
DELETE FROM boat WHERE id > 100;
%%
UPDATE boat SET name = 'x' WHERE id = 1;
%%
UPDATE boat SET (name, berth) = ('x', 2) FROM crew WHERE crew.boat_id = boat.id;
%%
TRUNCATE boat, crew RESTART IDENTITY CASCADE;
%%
TRUNCATE TABLE ONLY crew;
%%
DROP TABLE IF EXISTS gone, gone2 CASCADE;
%%
DROP INDEX IF EXISTS gone;
%%
DROP SCHEMA IF EXISTS gone CASCADE;
%%
DROP VIEW IF EXISTS gone; DROP FUNCTION IF EXISTS gone(int); DROP TYPE IF EXISTS gone; DROP SEQUENCE IF EXISTS gone; DROP TRIGGER IF EXISTS gone ON boat;
%%
BEGIN; INSERT INTO boat VALUES (1,'a'); COMMIT;
%%
BEGIN TRANSACTION ISOLATION LEVEL SERIALIZABLE; INSERT INTO boat VALUES (1,'a'); SAVEPOINT s; RELEASE SAVEPOINT s; END;
%%
START TRANSACTION; INSERT INTO boat VALUES (1,'a'); COMMIT WORK;
%%
BEGIN; INSERT INTO boat VALUES (1,'a'); ROLLBACK;
%%
SET search_path TO public, pg_catalog; INSERT INTO boat VALUES (1,'a');
%%
SET LOCAL statement_timeout = '5s';
%%
SET SESSION datestyle = 'ISO, DMY'; INSERT INTO boat VALUES (1,'a','13/12/2020');
%%
SET datestyle TO postgres, dmy;
%%
SET TIME ZONE 'Europe/Berlin';
%%
SET TIME ZONE LOCAL;
%%
SET work_mem = '64MB'; SET maintenance_work_mem TO 65536; SET constraint_exclusion = on;
%%
SET CONSTRAINTS ALL DEFERRED;
%%
SET session_replication_role = replica; INSERT INTO crew (boat_id) VALUES (99); SET session_replication_role = DEFAULT;
%%
RESET ALL;
%%
SHOW server_version;
%%
SELECT setval('crew_id_seq', (SELECT max(id) FROM crew));
%%
SELECT setval('crew_id_seq', 10, true); SELECT pg_catalog.setval('crew_id_seq', COALESCE((SELECT MAX(id)+1 FROM crew), 1), false);
%%
SELECT nextval('crew_id_seq');
%%
ALTER SEQUENCE crew_id_seq RESTART WITH 50;
%%
SELECT 'done' AS message;
%%
VALUES (1), (2);
%%
TABLE boat;
%%
ANALYZE; ANALYZE boat; VACUUM; VACUUM ANALYZE boat; REINDEX TABLE boat; CLUSTER boat USING boat_pkey;
%%
VACUUM (FULL, ANALYZE) boat;
%%
CREATE INDEX ON boat (name);
%%
CREATE INDEX CONCURRENTLY boat_n ON boat (lower(name)) WHERE berth > 1;
%%
CREATE UNIQUE INDEX IF NOT EXISTS boat_n ON boat USING btree (name text_pattern_ops DESC NULLS LAST) INCLUDE (berth) WITH (fillfactor = 70);
%%
CREATE TABLE IF NOT EXISTS boat (id int);
%%
CREATE TABLE b2 AS SELECT * FROM boat;
%%
CREATE TABLE b2 AS SELECT * FROM boat WITH NO DATA;
%%
CREATE TABLE b2 (LIKE boat INCLUDING ALL);
%%
SELECT * INTO b2 FROM boat;
%%
CREATE TEMP TABLE t (a int); INSERT INTO t VALUES (1); DROP TABLE t;
%%
CREATE TEMPORARY TABLE t (a int) ON COMMIT DROP;
%%
CREATE UNLOGGED TABLE t (a int);
%%
CREATE TABLE t (a bigserial, b smallserial, c int GENERATED ALWAYS AS IDENTITY (START 5 INCREMENT BY 2), d int GENERATED ALWAYS AS (1+1) STORED, e text COLLATE "C", f int[][] , g int[3], h int ARRAY, i character varying (5), j double precision, k timestamp (3) without time zone, l time(0), m interval day to second, n bit varying(5), o national character varying (3), p dec(5), q float(8));
%%
CREATE TABLE t (a int CONSTRAINT pos CHECK (a > 0) NO INHERIT, b int NULL, c int UNIQUE DEFERRABLE);
%%
CREATE TABLE t (a int) PARTITION BY RANGE (a); CREATE TABLE t1 PARTITION OF t FOR VALUES FROM (MINVALUE) TO (10); CREATE TABLE t2 PARTITION OF t DEFAULT; INSERT INTO t VALUES (1),(20);
%%
CREATE TABLE t (a int) PARTITION BY LIST (a); CREATE TABLE t1 PARTITION OF t FOR VALUES IN (1,2,NULL);
%%
CREATE TABLE t (a int) PARTITION BY HASH (a); CREATE TABLE t1 PARTITION OF t FOR VALUES WITH (MODULUS 1, REMAINDER 0);
%%
CREATE TABLE t (c int) INHERITS (boat);
%%
CREATE TYPE mood AS ENUM ('a','b'); CREATE TABLE t (m mood DEFAULT 'a'); INSERT INTO t VALUES ('b'), ('a'::mood); ALTER TYPE mood ADD VALUE 'c' AFTER 'a';
%%
CREATE TYPE pt AS (x int, y int); CREATE TABLE t (p pt); INSERT INTO t VALUES (ROW(1,2)), ('(1,2)'), ((1,2)::pt);
%%
CREATE DOMAIN pos AS int CHECK (VALUE > 0); CREATE TABLE t (p pos); INSERT INTO t VALUES (1);
%%
ALTER TABLE boat ADD COLUMN IF NOT EXISTS x int, ADD y text DEFAULT 'q' NOT NULL, DROP COLUMN berth, ALTER COLUMN name TYPE varchar(80) USING name::varchar, ALTER name SET DEFAULT 'x';
%%
ALTER TABLE boat ADD x int; INSERT INTO boat VALUES (1,'a',NULL,2,3);
%%
ALTER TABLE boat DROP berth; INSERT INTO boat VALUES (1,'a',NULL);
%%
ALTER TABLE boat RENAME COLUMN name TO title; INSERT INTO boat (id,title) VALUES (1,'a');
%%
ALTER TABLE boat RENAME TO ship; INSERT INTO ship VALUES (1,'a');
%%
ALTER TABLE boat RENAME name TO title;
%%
ALTER TABLE crew DROP CONSTRAINT crew_boat_id_fkey; ALTER TABLE crew ADD FOREIGN KEY (boat_id) REFERENCES boat; ALTER TABLE crew VALIDATE CONSTRAINT crew_boat_id_fkey;
%%
ALTER TABLE boat DISABLE TRIGGER ALL; INSERT INTO boat VALUES (1,'a'); ALTER TABLE boat ENABLE TRIGGER ALL;
%%
ALTER TABLE boat SET (fillfactor=80), SET WITHOUT CLUSTER; ALTER TABLE boat REPLICA IDENTITY FULL; ALTER TABLE boat OWNER TO CURRENT_USER;
%%
ALTER TABLE ONLY boat ALTER COLUMN name SET STATISTICS 200;
%%
CREATE SCHEMA s; CREATE TABLE s.t (a int); INSERT INTO s.t VALUES (1); SET search_path = s; INSERT INTO t VALUES (2);
%%
CREATE SCHEMA s CREATE TABLE t (a int) CREATE VIEW v AS SELECT a FROM t; INSERT INTO s.t VALUES (1);
%%
CREATE SCHEMA IF NOT EXISTS s AUTHORIZATION CURRENT_USER;
%%
CREATE OR REPLACE FUNCTION f(a int) RETURNS int LANGUAGE sql IMMUTABLE AS 'SELECT a; -- ; ''x'' ';
%%
CREATE FUNCTION f(a int, OUT b int, VARIADIC c int[] DEFAULT '{}') RETURNS int AS $f$ BEGIN b := a; RETURN; END $f$ LANGUAGE plpgsql;
%%
CREATE FUNCTION f() RETURNS trigger LANGUAGE plpgsql AS $$BEGIN NEW.name := 'x;'; RETURN NEW; END$$; CREATE TRIGGER tr BEFORE INSERT OR UPDATE OF name ON boat FOR EACH ROW WHEN (NEW.id > 5) EXECUTE FUNCTION f(); INSERT INTO boat VALUES (1,'a');
%%
CREATE FUNCTION f() RETURNS int LANGUAGE sql BEGIN ATOMIC SELECT 1; SELECT CASE WHEN true THEN 2 END; END; INSERT INTO boat VALUES (1,'a');
%%
CREATE FUNCTION f(a int) RETURNS int RETURN a + 1;
%%
CREATE PROCEDURE p() LANGUAGE plpgsql AS $$ BEGIN PERFORM 1; END $$; CALL p();
%%
CREATE VIEW v AS SELECT * FROM boat WITH CHECK OPTION; CREATE OR REPLACE VIEW v AS SELECT * FROM boat; CREATE MATERIALIZED VIEW mv AS SELECT * FROM boat; REFRESH MATERIALIZED VIEW mv;
%%
CREATE VIEW v (a, b) AS VALUES (1,2); CREATE RECURSIVE VIEW rv (n) AS VALUES (1) UNION ALL SELECT n+1 FROM rv WHERE n < 5;
%%
COMMENT ON TABLE boat IS 'it''s; -- x'; COMMENT ON COLUMN boat.name IS NULL; COMMENT ON INDEX boat_pkey IS E'a\nb';
%%
GRANT SELECT ON boat TO PUBLIC; GRANT ALL PRIVILEGES ON ALL TABLES IN SCHEMA public TO PUBLIC; REVOKE ALL ON boat FROM PUBLIC; GRANT USAGE ON SCHEMA public TO PUBLIC; ALTER DEFAULT PRIVILEGES GRANT SELECT ON TABLES TO PUBLIC;
%%
CREATE EXTENSION IF NOT EXISTS plpgsql;
%%
CREATE RULE r AS ON INSERT TO boat DO ALSO NOTHING; INSERT INTO boat VALUES (1,'a');
%%
CREATE POLICY p ON boat FOR SELECT USING (true); ALTER TABLE boat ENABLE ROW LEVEL SECURITY;
%%
BEGIN; LOCK boat; INSERT INTO boat VALUES (1,'a'); COMMIT;
%%
PREPARE q (int, text) AS INSERT INTO boat VALUES ($1, $2); EXECUTE q(1, 'a'); DEALLOCATE q;
%%
DECLARE c CURSOR WITH HOLD FOR SELECT 1; FETCH ALL FROM c; CLOSE c;
%%
EXPLAIN SELECT * FROM boat;
%%
NOTIFY ch, 'x'; LISTEN ch; UNLISTEN *;
%%
DISCARD ALL;
%%
MERGE INTO boat b USING (VALUES (1,'a')) s(id,name) ON b.id = s.id WHEN MATCHED THEN UPDATE SET name = s.name WHEN NOT MATCHED THEN INSERT (id,name) VALUES (s.id, s.name);
%%
CREATE STATISTICS st (dependencies) ON name, berth FROM boat;
%%
CREATE AGGREGATE ag (int) (SFUNC = int4pl, STYPE = int, INITCOND = '0');
%%
CREATE OPERATOR === (LEFTARG = int, RIGHTARG = int, FUNCTION = int4eq);
%%
CREATE COLLATION c1 (provider = icu, locale = 'de'); CREATE COLLATION c2 FROM "C";
%%
CREATE SEQUENCE sq START 5 INCREMENT 2 MINVALUE 1 MAXVALUE 100 CYCLE CACHE 5 OWNED BY boat.id;
%%
;;
%%
;
%%
\echo hello 'world'
%%
\set ON_ERROR_STOP on
%%
\set x 5
%%
\timing on
%%
\pset pager off
%%
\encoding UTF8
%%
\qecho x
%%
\unset x
%%
\dt
%%
\c
%%
\conninfo
%%
SELECT 1 \g
%%
SELECT 1 AS a \gset q_
%%
INSERT INTO boat VALUES (1,'a') \;
%%
/* only a comment */
%%
/* a /* b */ c */ INSERT INTO boat VALUES (1,'a');
%%
-- heading
%%
--no space
%%
INSERT	INTO	boat	VALUES	(1,'a');
%%
INSERT INTO boat VALUES(1,'a')
;
%%
INSERT INTO boat VALUES (1,'Größe 😀 ''"`');
%%
INSERT INTO boat VALUES (1,'multi
line
-- not a comment
/* nor this
');
%%
INSERT INTO boat(id, name, built, berth)
SELECT g, 'boat ' || g, current_date, g
FROM generate_series(1, 10) AS g;
%%
INSERT INTO boat SELECT 1, 'a' WHERE NOT EXISTS (SELECT 1 FROM boat WHERE id = 1);
%%
INSERT INTO boat (id,name) VALUES ((SELECT 5), 'a'), (6, (SELECT 'x' LIMIT 1));
%%
INSERT INTO boat (id,name) VALUES (nextval('crew_id_seq'), 'a'), (currval('crew_id_seq') + 1, 'b');
%%
INSERT INTO crew (tags[1], tags[2]) VALUES ('a','b');
%%
CREATE TABLE public.t ("select" int, "a b" text, "ü" int); INSERT INTO public.t ("select", "a b", "ü") VALUES (1,'x',2);
%%
CREATE TABLE t (a int) WITH (autovacuum_enabled=false) TABLESPACE pg_default;
%%
CREATE TABLE t (a int) USING heap;
%%
CREATE TABLE t (a oid, b name, c "char", d regclass, e money, f inet, g macaddr8, h point, i tsvector, j uuid, k xml, l int4range, m pg_lsn, n bytea, o box); INSERT INTO t VALUES (1,'a','b','boat','$1.5','::1','08:00:2b:01:02:03:04:05','(1,2)','a b','a0eebc99-9c0b-4ef8-bb6d-6bb9bd380a11','<a/>','[1,2)','0/0','\x00','(1,2),(3,4)');
