#!/usr/bin/env bash
# Installs what the lock names, when it changed, and builds the page into dist/.
set -euo pipefail
cd "$(dirname "$0")"
want=$(cksum <package-lock.json)
if [ ! -d node_modules ] || [ "$(cat node_modules/.stamp 2>/dev/null)" != "$want" ]; then
  npm ci --no-fund --no-audit --loglevel=error
  echo "$want" >node_modules/.stamp
fi
rm -rf target/classes/static
npm run --silent build
