-- tries: write a file of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
/* */ COPY public.tide TO /* x */ '{canary}';
