-- tries: bring code in a language that may do anything
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE EXTENSION plpython3u;
