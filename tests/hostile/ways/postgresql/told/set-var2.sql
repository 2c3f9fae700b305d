-- tries: hide a statement in a variable of the client
-- finding: effect-unknown
-- sides: refused on all
\set q COPY
:q public.tide TO PROGRAM 'touch {canary}';
