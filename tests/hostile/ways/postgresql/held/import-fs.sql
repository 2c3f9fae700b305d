-- tries: read or write another server or file as a table
-- finding: none by reading
-- sides: confined on a private server, without rights on one in use
IMPORT FOREIGN SCHEMA x FROM SERVER y INTO public;
