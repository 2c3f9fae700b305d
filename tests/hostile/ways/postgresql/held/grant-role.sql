-- tries: change who may do what on the server
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
GRANT pg_execute_server_program TO PUBLIC;
