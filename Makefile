# Two commands do all: make demo and make test.
PORT ?= 4310

.PHONY: differ demo test test-full mutate build reset-demo lint fast bench screenshots api notices load fuzz need-demo need-test

demo: need-demo build ## start the program with the demo clinic
	@exec ./bin/tendermend demo -addr 127.0.0.1:$(PORT)

test: need-test build ## everything that must pass, with what each part took
	@scripts/test.sh

test-full: test ## the same with the whole sweep of plans: some twenty minutes more
	go test -tags full -count=1 -timeout 90m -v -run 'BreakNoRule|EveryRule' ./core/treatment
	go test -tags full -count=1 -timeout 60m ./record ./core/diagnosis ./core/treatment/sheet

mutate: ## change the code in 100 places drawn by the commit, one at a time: which does no test notice?
	go run ./scripts/mutate

reset-demo: ## throw the demo's database away; the next make demo starts afresh
	@if [ -f .tendermend/pg/postmaster.pid ] && kill -0 "$$(head -1 .tendermend/pg/postmaster.pid)" 2>/dev/null; then \
		echo "the demo is running: stop it first (Ctrl-C where it was started)" >&2; exit 1; fi
	rm -rf .tendermend/pg

need-demo:
	@scripts/need.sh postgresql

need-test:
	@scripts/need.sh postgresql chromium gcc

build: web/dist/index.html ## the program with its front end, in bin/
	go build -o bin/tendermend ./cmd/tendermend

web/node_modules/.package-lock.json: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund
	@touch $@

WEB := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts web/tsconfig.json
web/dist/index.html: web/node_modules/.package-lock.json $(WEB)
	cd web && npm run build
	@touch $@

lint: web/node_modules/.package-lock.json ## format, vet, static checks, types, the front end's tests, current documents
	@scripts/test.sh --checks

notices: web/node_modules/.package-lock.json ## write the licences of all works that ship
	go run ./scripts/notices

api: ## write the OpenAPI document and the front end's types from the program
	scripts/api.sh

bench: ## speed of the core, of the record and of pictures
	go test -run '^$$' -bench . -benchmem ./core/... ./record ./picture

load: build ## answers under load: 10,000 plants and a million entries; writes the table of docs/performance.md
	go run ./scripts/load -write docs/performance.md

differ: ## how plans differ from those of the last commit, by what a step says
	go run ./scripts/differ

fuzz: ## 50,000 made-up requests to every operation: none is answered with 500 or above
	go run ./scripts/fuzz

screenshots: need-test build ## draw docs/screenshots from the demo
	SCREENSHOTS=docs/screenshots go test ./e2e -run Screenshots -count=1
