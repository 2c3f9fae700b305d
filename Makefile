# make demo: sets everything up and runs the full example.  make test: sets everything up and runs all checks.
VENV ?= .venv
PYTHON ?= python3
BIN := $(VENV)/bin

.PHONY: demo test lint bench fuzz clean

demo: $(VENV)/ready
	$(BIN)/sospes demo

test: lint
	$(BIN)/python -m pytest --numprocesses auto --dist worksteal

lint: $(VENV)/ready
	$(BIN)/ruff format --check .
	$(BIN)/ruff check .
	$(BIN)/mypy
	$(BIN)/lint-imports

bench: $(VENV)/ready
	$(BIN)/python -m benchmarks.speed
	$(BIN)/python -m benchmarks.damage

fuzz: $(VENV)/ready
	$(BIN)/python -m tests.fuzz --seconds 600

$(VENV)/ready: pyproject.toml
	$(PYTHON) -m venv $(VENV)
	$(BIN)/python -m pip install --quiet --disable-pip-version-check -e '.[dev]'
	touch $@

clean:
	rm -rf $(VENV) build .mypy_cache .ruff_cache .pytest_cache .import_linter_cache
