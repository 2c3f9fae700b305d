-- tries: split a statement over a preparation and an execution
-- finding: effect-unknown
-- sides: refused on all
PREPARE p AS DELETE FROM public.tide;
