# Two commands do all: make demo and make test.
PORT ?= 4310

.PHONY: demo test test-full mutate build reset-demo lint fast bench screenshots api notices load fuzz need-demo need-test

demo: need-demo build ## start the program with the demo clinic
	@exec ./bin/tendermend demo -addr 127.0.0.1:$(PORT)

test: need-test build lint ## everything that must pass
	go test -timeout 30m $$(go list ./... | grep -vE '/(store|server)$$')
	go test -race -timeout 30m ./store ./server
	cd web && npm test

test-full: need-test build lint ## the same with the whole sweep of plans: some twenty minutes more
	go test -tags full -count=1 -timeout 90m -v -run 'BreakNoRule|EveryRule' ./core/treatment
	go test -tags full -count=1 -timeout 30m -run HoldsTogether ./record
	go test -timeout 30m $$(go list ./... | grep -vE '/(store|server)$$')
	go test -race -timeout 30m ./store ./server
	cd web && npm test

mutate: ## change the code of plans in 200 places, one at a time: which does no test notice?
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

lint: web/node_modules/.package-lock.json ## format, vet, static checks, types, and that the API document is current
	@test -z "$$(gofmt -l $$(git ls-files '*.go'))" || { echo "gofmt these:"; gofmt -l $$(git ls-files '*.go'); exit 1; }
	go tool -modfile=scripts/lint/go.mod golangci-lint run --timeout 20m ./...
	cd web && npm run lint && npx tsc --noEmit
	@# Bytes, not letters: so every editor and every count agrees. A package writes schema.d.ts.
	@! LC_ALL=C grep -rnE '^.{121,}$$' web/src --include=*.ts --include=*.tsx --include=*.css --exclude=schema.d.ts
	scripts/api.sh --check
	go run ./scripts/notices -check

notices: web/node_modules/.package-lock.json ## write the licences of all works that ship
	go run ./scripts/notices

api: ## write the OpenAPI document and the front end's types from the program
	scripts/api.sh

bench: ## speed of the core, of the record and of pictures
	go test -run '^$$' -bench . -benchmem ./core/... ./record ./picture

load: build ## answers under load: 10,000 plants and a million entries
	go run ./scripts/load

fuzz: ## 50,000 made-up requests to every operation: none is answered with 500 or above
	go run ./scripts/fuzz

screenshots: need-test build ## draw docs/screenshots from the demo
	SCREENSHOTS=docs/screenshots go test ./e2e -run Screenshots -count=1
