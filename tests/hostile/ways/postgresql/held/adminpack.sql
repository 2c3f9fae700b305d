-- tries: load a library
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE EXTENSION adminpack;
