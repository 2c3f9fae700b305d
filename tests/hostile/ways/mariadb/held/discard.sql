-- tries: put files where the author wants them
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
ALTER TABLE tide DISCARD TABLESPACE;
