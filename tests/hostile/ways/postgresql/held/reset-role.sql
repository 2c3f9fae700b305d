-- tries: change who may do what on the server
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
RESET ROLE;
