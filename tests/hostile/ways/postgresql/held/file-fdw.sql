-- tries: read a program's output as a table
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE EXTENSION file_fdw; CREATE SERVER s FOREIGN DATA WRAPPER file_fdw; CREATE FOREIGN TABLE public.ft (a text) SERVER s OPTIONS (program 'touch {canary}');
