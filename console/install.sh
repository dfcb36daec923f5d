#!/usr/bin/env bash
# Installs what the lock file of a folder says, unless that was done already.
set -eu
cd "${1:-.}"
if [ -f node_modules/.package-lock.json ] && [ node_modules/.package-lock.json -nt package-lock.json ]; then
  exit 0
fi
npm ci --no-audit --no-fund
touch node_modules/.package-lock.json
