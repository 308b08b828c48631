# Hestor: see README.md. Each step leaves a stamp in build/, so that it runs again only when its input changed.
SHELL := /bin/bash
.DEFAULT_GOAL := help
PORT ?= 8000
DATA ?= $(CURDIR)/data
# Where scripts/install-node puts a Node of its own, if the machine's is missing or old.
PATH := $(CURDIR)/build/node-bin:$(PATH)
export PORT DATA PATH
VENV := .venv/bin
STAMPS := build/stamps
DESK := hestor/desk/dist/index.html
DESK_SOURCES := $(shell find frontend/src frontend/index.html frontend/*.ts frontend/*.json frontend/*.js -type f 2>/dev/null)
FRONT_CHECKED := $(DESK_SOURCES) frontend/.prettierrc.json frontend/.prettierignore

.PHONY: help demo run test test-long test-data bench build check lint types unit browser front lighthouse test-postgres new-fact screenshots lock clean towns

help: ## says what can be made
	@grep -hE '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sed -E 's/:.*## /\t/' | expand -t 14

demo: build ## installs all, loads the demo once, serves
	@HESTOR_DEMO=1 scripts/serve demo

run: build ## the same with no demo data
	@scripts/serve

build: $(STAMPS)/python $(DESK) towns $(STAMPS)/letters ## installs and builds, without serving

check:
	@scripts/check-machine

$(STAMPS)/python: requirements.lock scripts/hestor | check
	@mkdir -p $(STAMPS)
	@test -x $(VENV)/python || python3 -m venv .venv
	@$(VENV)/pip install -q --disable-pip-version-check --require-hashes -r requirements.lock
	@install -m 755 scripts/hestor $(VENV)/hestor
	@touch $@

$(STAMPS)/python-dev: requirements-dev.lock $(STAMPS)/python
	@$(VENV)/pip install -q --disable-pip-version-check --require-hashes -r requirements-dev.lock
	@touch $@

$(STAMPS)/node: frontend/package-lock.json requirements-node.lock scripts/install-node | check
	@mkdir -p $(STAMPS)
	@scripts/install-node
	@cd frontend && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

$(DESK): $(STAMPS)/node $(STAMPS)/python $(DESK_SOURCES)
	@cd frontend && npx vite build --logLevel warn
	@mv hestor/desk/dist/public/index.html $@
	@$(VENV)/python -m whitenoise.compress -q hestor/desk/dist/public

towns: $(STAMPS)/towns
# Names of languages are kept in each language of the desk: its folder changes as it gets its file.
$(STAMPS)/towns: $(STAMPS)/python $(STAMPS)/node hestor/towns/models.py hestor/towns/management/commands/build_towns.py $(dir $(wildcard hestor/translations/locale/*/desk.po))
	@rm -f build/towns.sqlite3*
	@$(VENV)/python manage.py build_towns
	@touch $@

$(STAMPS)/letters: $(STAMPS)/python $(STAMPS)/node scripts/letters.py $(wildcard hestor/rendering/assets/fonts/*.woff2)
	@$(VENV)/python -m scripts.letters
	@touch $@

$(STAMPS)/chromium:
	@scripts/install-chromium
	@mkdir -p $(STAMPS) && touch $@

$(STAMPS)/nginx:
	@scripts/install-nginx
	@mkdir -p $(STAMPS) && touch $@

# Lint, types and the front end's own tests run beside the others, which wait for browsers much of the time.
test: build $(STAMPS)/python-dev $(STAMPS)/chromium $(STAMPS)/nginx $(STAMPS)/test-data ## linters, types, unit, API and browser tests
	@scripts/together "$(MAKE) -s lint front" "$(VENV)/python -m pytest -q -n 2 --dist loadgroup"
	@echo "make test-long last ran: $$(cat tests/last-long-run.txt 2>/dev/null || echo never)"

test-postgres: build $(STAMPS)/python-dev $(STAMPS)/chromium $(STAMPS)/nginx ## the same tests on PostgreSQL
	@scripts/with-postgres bash -c '$(VENV)/python -m tests.support.template build/test-demo-postgres && $(VENV)/python -m pytest -q -n 2 --dist loadgroup $(ONLY)'

test-long: test test-postgres ## what "make test" samples, at full size; before a release
	@command -v debootstrap >/dev/null || apt-get install -y -qq debootstrap >/dev/null
	@TESTS_LONG=1 $(VENV)/python -m pytest -q -n 2 --dist loadgroup $(ONLY)
	@echo "$$(date -u +%F) on $$(git describe --always --dirty)" > tests/last-long-run.txt

test-data: $(STAMPS)/test-data
$(STAMPS)/test-data: $(shell find hestor demo tests/support -type f -not -name '*.pyc' -not -path '*/dist/*' -not -path '*/assets/letters/*' 2>/dev/null) $(STAMPS)/python-dev $(STAMPS)/towns $(STAMPS)/letters
	@$(VENV)/python -m tests.support.template build/test-demo
	@touch $@

lint: $(STAMPS)/python-dev $(STAMPS)/front-lint
	@$(VENV)/ruff check . && $(VENV)/ruff format --check .
	@$(VENV)/lint-imports
	@$(VENV)/mypy

$(STAMPS)/front-lint: $(STAMPS)/node $(FRONT_CHECKED)
	@cd frontend && npm run -s lint
	@touch $@

types: $(STAMPS)/python $(STAMPS)/node ## makes the front end's API types anew
	@$(VENV)/python -m hestor.config.export_schema build/openapi.json
	@$(VENV)/python -m hestor.config.export_facts frontend/src
	@$(VENV)/python -m hestor.config.export_style docs/house-style.schema.json
	@$(VENV)/python -m hestor.config.export_options README.md deploy/hestor.env
	@cd frontend && npm run -s types

new-fact: $(STAMPS)/python ## writes a new fact, NAME=motto: its spec, its texts, its tests (docs/newcomer.md)
	@$(VENV)/python -m scripts.new_fact "$(NAME)"

front: $(STAMPS)/front-tests

$(STAMPS)/front-tests: $(STAMPS)/node $(DESK_SOURCES)
	@cd frontend && npm run -s test
	@touch $@

bench: build $(STAMPS)/python-dev $(STAMPS)/chromium $(STAMPS)/nginx ## runs the benchmarks, writes benchmarks/latest.json
	@$(VENV)/python -m benchmarks

lighthouse: ## installs what "make bench" audits public pages with
	@npm install --prefix build/lighthouse --no-audit --no-fund --loglevel=error lighthouse@13.5.0

screenshots: build $(STAMPS)/python-dev $(STAMPS)/chromium ## takes the pictures in docs/screenshots anew
	@$(VENV)/python -m scripts.screenshots

lock: ## writes the lock files anew from pyproject.toml
	@scripts/lock

clean: ## removes all that was installed and built, but no data
	@rm -rf .venv build frontend/node_modules hestor/desk/dist
