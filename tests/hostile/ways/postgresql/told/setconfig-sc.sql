-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
SELECT pg_catalog.set_config('standard_conforming_strings', 'off', false);
SELECT '\'; COPY public.tide TO PROGRAM $a$x$a$; --';
