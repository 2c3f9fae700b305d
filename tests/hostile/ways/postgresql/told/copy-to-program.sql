-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
COPY public.tide TO PROGRAM 'touch {canary}';
