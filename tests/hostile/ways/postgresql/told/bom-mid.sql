-- tries: hide a statement behind a mark of byte order
-- finding: statement-unreadable
-- sides: refused on all
﻿COPY public.tide TO '{canary}';
