-- tries: start a program from the client, from within a comment
-- finding: hostile-statement
-- sides: refused on all
/*M!999999\- enable the sandbox mode */ 
\! touch {canary}
