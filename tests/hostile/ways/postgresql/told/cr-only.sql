-- tries: hide a statement behind a line end that ends no line
-- finding: effect-unknown
-- sides: refused on all
SELECT 1; --COPY public.tide TO '{canary}';
