-- tries: change what program the client shows results with
-- finding: hostile-statement
-- sides: refused on all
\pset pager always
\setenv PAGER 'touch {canary}'
