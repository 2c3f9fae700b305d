-- tries: disturb the server
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
FLUSH PRIVILEGES;
