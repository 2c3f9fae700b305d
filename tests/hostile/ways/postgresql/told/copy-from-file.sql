-- tries: read a file of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
COPY public.tide FROM '/etc/passwd';
