-- tries: change tables of the server itself, accounts among them
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
CREATE TABLE x (a int) ENGINE=FEDERATED CONNECTION='mysql://root@live/x/y';
