"""What is measured, as ratios in one run; nothing of it goes into the user's own record of proofs."""

from __future__ import annotations

import atexit
import os
import shutil
import tempfile

os.environ["XDG_STATE_HOME"] = _STATE = tempfile.mkdtemp(prefix="sospes-bench-")
atexit.register(shutil.rmtree, _STATE, ignore_errors=True)
