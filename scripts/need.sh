#!/usr/bin/env bash
# Sees to what the program stands on: scripts/need.sh postgresql [chromium] [gcc]
# installs those Debian packages where they are missing; Go and Node are only
# checked, because everybody installs them in their own way.
set -euo pipefail

fail() { printf 'tendermend: %s\n' "$*" >&2; exit 1; }

command -v go >/dev/null || fail "Go is not installed; install Go 1.26 or later."
have=$(go env GOVERSION | sed 's/^go//')
[ "$(printf '%s\n' 1.26 "$have" | sort -V | head -1)" = 1.26 ] || fail "Go $have is too old; install Go 1.26 or later."
command -v node >/dev/null || fail "Node is not installed; install Node 20.19 or later."
have=$(node --version | sed 's/^v//')
[ "$(printf '%s\n' 20.19 "$have" | sort -V | head -1)" = 20.19 ] || fail "Node $have is too old; install Node 20.19 or later."
command -v npm >/dev/null || fail "npm is not installed; it comes with Node."

missing=()
for package in "$@"; do
  case $package in
    postgresql) compgen -G '/usr/lib/postgresql/*/bin/initdb' >/dev/null || command -v initdb >/dev/null || missing+=(postgresql) ;;
    chromium) command -v chromium-headless-shell >/dev/null || missing+=(chromium-headless-shell) ;;
    gcc) command -v gcc >/dev/null || missing+=(gcc libc6-dev) ;;
    *) fail "scripts/need.sh does not know $package." ;;
  esac
done
[ ${#missing[@]} -eq 0 ] && exit 0

command -v apt-get >/dev/null || fail "these are missing: ${missing[*]}. Install them with your system's packages."
as_root=()
if [ "$(id -u)" -ne 0 ]; then
  command -v sudo >/dev/null || fail "these are missing: ${missing[*]}. As root: apt-get install ${missing[*]}"
  as_root=(sudo)
fi
echo "installing ${missing[*]} …"
"${as_root[@]}" apt-get update -q >/dev/null
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q "${missing[@]}" >/dev/null
