#!/usr/bin/env bash
# Writes the OpenAPI document, the schemas of files and the front end's types from the program;
# with --check it only says whether they are current.
set -euo pipefail
cd "$(dirname "$0")/.."
new=$(mktemp -d)
trap 'rm -rf "$new"' EXIT
go build -o "$new/tendermend" ./cmd/tendermend
"$new/tendermend" openapi > "$new/openapi.json"
"$new/tendermend" case-schema > "$new/case.schema.json"
"$new/tendermend" archive-schema > "$new/archive.schema.json"
"$new/tendermend" plan-schema > "$new/plan.schema.json"
"$new/tendermend" water-schema > "$new/water.schema.json"
(cd web && npx openapi-typescript "$new/openapi.json" -o "$new/schema.ts" >/dev/null)
(cd web && npx biome format --stdin-file-path=src/types.d.ts < "$new/schema.ts" > "$new/schema.d.ts")
files=(docs/openapi.json docs/case.schema.json docs/archive.schema.json docs/plan.schema.json docs/water.schema.json web/src/api/schema.d.ts)
if [ "${1:-}" = --check ]; then
  for file in "${files[@]}"; do
    cmp -s "$file" "$new/$(basename "$file")" || { echo "$file is not current: run make api" >&2; exit 1; }
  done
  exit 0
fi
for file in "${files[@]}"; do cp "$new/$(basename "$file")" "$file"; done
