-- tries: change the server's catalog, or another database's settings
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
ALTER DATABASE live WITH ALLOW_CONNECTIONS false;
