#!/usr/bin/env bash
# Writes docs/openapi.json, docs/case.schema.json, docs/archive.schema.json, docs/plan.schema.json and web/src/api/schema.d.ts from
# the program; with --check it only says whether they are current.
set -euo pipefail
cd "$(dirname "$0")/.."
new=$(mktemp -d)
trap 'rm -rf "$new"' EXIT
go build -o "$new/tendermend" ./cmd/tendermend
"$new/tendermend" openapi > "$new/openapi.json"
"$new/tendermend" case-schema > "$new/case.schema.json"
"$new/tendermend" archive-schema > "$new/archive.schema.json"
"$new/tendermend" plan-schema > "$new/plan.schema.json"
(cd web && npx openapi-typescript "$new/openapi.json" -o "$new/schema.d.ts" >/dev/null)
if [ "${1:-}" = --check ]; then
  for pair in "docs/openapi.json openapi.json" "docs/case.schema.json case.schema.json" "docs/archive.schema.json archive.schema.json" "docs/plan.schema.json plan.schema.json" "web/src/api/schema.d.ts schema.d.ts"; do
    set -- $pair
    cmp -s "$1" "$new/$2" || { echo "$1 is not current: run make api" >&2; exit 1; }
  done
  exit 0
fi
cp "$new/openapi.json" docs/openapi.json
cp "$new/case.schema.json" docs/case.schema.json
cp "$new/archive.schema.json" docs/archive.schema.json
cp "$new/plan.schema.json" docs/plan.schema.json
cp "$new/schema.d.ts" web/src/api/schema.d.ts
