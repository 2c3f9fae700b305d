-- tries: read files of the server by a function
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
GRANT pg_read_server_files TO public;
