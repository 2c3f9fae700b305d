-- tries: do what no backup asks for
-- finding: effect-unknown
-- sides: refused on all
PREPARE q AS SELECT 1; CREATE TABLE public.x AS EXECUTE q;
