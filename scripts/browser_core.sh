#!/usr/bin/env bash
# The core of the program as a browser would run it: it has to stay small enough to be fetched over a slow line, and to
# answer there what it answers here.
set -euo pipefail
cd "$(dirname "$0")/.."
most=3200000 # bytes, compressed
built=$(mktemp -d)
trap 'rm -rf "$built"' EXIT
export GOOS=js GOARCH=wasm
go build -trimpath -ldflags='-s -w' -o "$built/core.wasm" ./cmd/asked
# Quality 9 of 11 takes seconds instead of a minute, and comes out a tenth larger.
size=$(node -e '
  const zlib = require("node:zlib"), c = zlib.constants;
  const core = require("node:fs").readFileSync(process.argv[1]);
  const params = { [c.BROTLI_PARAM_QUALITY]: 9, [c.BROTLI_PARAM_LGWIN]: 24, [c.BROTLI_PARAM_SIZE_HINT]: core.length };
  console.log(zlib.brotliCompressSync(core, { params }).length);
' "$built/core.wasm")
echo "$size bytes of $most"
[ "$size" -le "$most" ] || { echo "the core is too large for a browser" >&2; exit 1; }
go test -vet=off -exec "$(GOOS='' GOARCH='' go env GOROOT)/lib/wasm/go_js_wasm_exec" ./cmd/asked
