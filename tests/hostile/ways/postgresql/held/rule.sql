-- tries: read files of the server by a function
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE RULE r AS ON INSERT TO public.tide DO ALSO SELECT pg_read_file('/etc/passwd');
