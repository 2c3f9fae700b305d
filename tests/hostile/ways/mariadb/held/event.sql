-- tries: write a file of the server by a query
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE EVENT e ON SCHEDULE EVERY 1 SECOND DO SELECT 1 INTO OUTFILE '{canary}';
