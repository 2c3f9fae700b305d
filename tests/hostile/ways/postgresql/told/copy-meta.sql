-- tries: have the client start a program by its own COPY
-- finding: hostile-statement
-- sides: refused on all
\copy public.tide to program 'touch {canary}'
