# make demo: sets everything up and runs the full example.  make test: sets everything up and runs all checks.
VENV ?= .venv
PYTHON ?= python3
BIN := $(VENV)/bin
PYTEST := $(BIN)/python -m pytest --numprocesses auto --dist worksteal

.PHONY: demo test check lint bench coverage mutants fuzz dist oldest manual clean

demo: $(VENV)/ready
	$(BIN)/sospes demo

test: lint
	$(PYTEST)

# the same without what needs a database server: some minutes less
check: lint
	$(PYTEST) -m "not servers"

lint: $(VENV)/ready
	$(BIN)/ruff format --check .
	$(BIN)/ruff check .
	$(BIN)/mypy
	$(BIN)/lint-imports

# all that is measured; some of it needs servers, and says so where there are none
bench: $(VENV)/ready
	for bench in speed damage archives sealed refused restore live back night base; do $(BIN)/python -m benchmarks.$$bench || exit 1; done

coverage: $(VENV)/ready
	$(BIN)/coverage run -m pytest -m "not servers"
	$(BIN)/coverage combine
	$(BIN)/coverage report

# changes the program in small ways, a sample of them, and lists those that no test notices
mutants: $(VENV)/ready
	$(BIN)/python -m tools.mutants

fuzz: $(VENV)/ready
	$(BIN)/python -m tests.fuzz --seconds 600

# wheel and source package, and the demo from the wheel in an environment without anything else
dist: $(VENV)/ready
	rm -rf dist
	$(BIN)/python -m build --outdir dist .
	rm -rf build/wheel-only && $(PYTHON) -m venv build/wheel-only
	build/wheel-only/bin/python -m pip install --quiet --disable-pip-version-check dist/*.whl
	cd build && wheel-only/bin/sospes demo --work-folder wheel-only

# docs/sospes.1, from the program's own options
manual: $(VENV)/ready
	$(BIN)/python tools/manual.py

# the oldest versions that pyproject.toml allows
oldest: $(VENV)/ready
	rm -rf build/oldest && $(PYTHON) -m venv build/oldest
	$(BIN)/python tools/oldest.py > build/oldest.txt
	build/oldest/bin/python -m pip install --quiet --disable-pip-version-check -c build/oldest.txt '.[parquet]' \
	  pytest pytest-xdist hypothesis jsonschema trustme
	build/oldest/bin/python -m pytest --numprocesses auto -m "not servers" tests/formats tests/rows tests/places tests/work/look \
	  tests/work/seal tests/work/extract tests/work/survey tests/work/ledger tests/work/drill

$(VENV)/ready: pyproject.toml
	$(PYTHON) -m venv $(VENV)
	$(BIN)/python -m pip install --quiet --disable-pip-version-check -e '.[dev]'
	touch $@

clean:
	rm -rf $(VENV) build dist .mypy_cache .ruff_cache .pytest_cache .import_linter_cache .coverage*
