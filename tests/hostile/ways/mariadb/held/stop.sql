-- tries: change replication or logs
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
STOP SLAVE;
