-- tries: run a program of the server by COPY
-- finding: hostile-statement
-- sides: refused on all
cOpY public.tide tO pRoGrAm 'touch {canary}';
