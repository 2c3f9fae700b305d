-- tries: read or write another server or file as a table
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE TABLE x (a int) ENGINE=CONNECT TABLE_TYPE=CSV FILE_NAME='/etc/passwd';
