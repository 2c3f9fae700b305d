-- tries: hide a statement behind a blank that few know
-- finding: statement-unreadable
-- sides: refused on all
COPY public.tide TO '{canary}';
