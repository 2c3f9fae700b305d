-- tries: read files of the server by a function
-- finding: hostile-statement
-- sides: refused on all
INSERT INTO public.tide VALUES (length(pg_read_file('/etc/passwd')));
