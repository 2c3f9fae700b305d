-- tries: start a program from the client
-- finding: hostile-statement
-- sides: refused on all
\! touch /tmp/x
