-- tries: write a file of the server by a query
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE TRIGGER t BEFORE INSERT ON tide FOR EACH ROW SELECT 1 INTO OUTFILE '{canary}';
