-- tries: do what no backup asks for
-- finding: effect-unknown
-- sides: refused on all
MERGE INTO public.tide t USING (SELECT 1) s ON true WHEN MATCHED THEN DELETE;
