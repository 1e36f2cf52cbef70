#!/usr/bin/env bash
# Runs everything that must pass, in two lanes side by side: the front end and the checks of the code beside the Go
# tests. Says at the end what each part took. Called by make test, when the program is built.
set -uo pipefail
cd "$(dirname "$0")/.."
logs=$(mktemp -d)
trap 'rm -rf "$logs"' EXIT
lint="go tool -modfile=scripts/lint/go.mod golangci-lint"

# part LANE NAME COMMAND…: runs a part, with what it says and what it took kept; a lane ends with what fails in it.
part() {
  local lane=$1 name=$2
  shift 2
  local TIMEFORMAT="%0R %0U %0S"
  { time "$@" >"$logs/$lane.out" 2>&1; } 2>"$logs/$lane.time"
  local status=$?
  printf '%s|%s|%s\n' "$name" "$(tail -1 "$logs/$lane.time")" "$status" >>"$logs/table"
  if [ $status -ne 0 ]; then
    { echo "== $name failed:"; cat "$logs/$lane.out"; } >&2
    return $status
  fi
  echo "== $name"
  grep -E '^(ok|FAIL|---)|passed' "$logs/$lane.out" || true
}

formatted() {
  local bad
  bad=$(gofmt -l $(git ls-files '*.go'))
  [ -z "$bad" ] || { echo "gofmt these: $bad"; return 1; }
}

# Bytes, not letters: so every editor and every count agrees. A package writes schema.d.ts.
narrow() { ! LC_ALL=C grep -rnE '^.{121,}$' web/src --include=*.ts --include=*.tsx --include=*.css --exclude=schema.d.ts; }

web() { (cd web && npm run --silent "$@"); }

checks() {
  part checks "Go format" formatted &&
    part checks "front end: types" web types &&
    part checks "front end: lint" web lint &&
    part checks "front end: narrow lines" narrow &&
    part checks "front end: tests" web test &&
    part checks "Go lint" $lint run --timeout 20m ./... &&
    part checks "API document is current" scripts/api.sh --check &&
    part checks "core for a browser" scripts/browser_core.sh &&
    part checks "licences are current" go run ./scripts/notices -check
}

tests() {
  # The browser tests wait most, and begin first; three at a time keep two processors at work.
  part tests "Go tests" go test -p 3 -parallel 3 -timeout 30m ./e2e ./... &&
    # What waits for each other is watched for races: tests of what happens at once are called so.
    part tests "Go tests at once, watched for races" go test -race -timeout 30m -run AtOnce ./store ./server
}

begun=$SECONDS
if [ "${1:-}" = --checks ]; then
  checks
  status=$?
else
  checks &
  beside=$!
  tests
  status=$?
  wait $beside || status=$?
fi
echo
printf '%-40s %8s %8s\n' "part" "took, s" "CPU, s"
while IFS='|' read -r name time failed; do
  read -r real user system <<<"$time"
  printf '%-40s %8s %8s%s\n' "$name" "$real" "$((user + system))" "$([ "$failed" = 0 ] || echo "  failed")"
done <"$logs/table"
printf '%-40s %8s\n' "all of it" "$((SECONDS - begun))"
exit $status
