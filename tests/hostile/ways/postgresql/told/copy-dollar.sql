-- tries: do what no backup asks for
-- finding: hostile-statement
-- sides: refused on all
COPY public.tide TO $$/tmp/x$$;
