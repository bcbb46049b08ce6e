#!/usr/bin/env bash
# Installs what tests need and runs them all; ends with "N passed, N failed".
set -uo pipefail
cd "$(dirname "$0")"
. scripts/common.sh
need_node
set -e
install_browser() {
  [ -x "${CHROMIUM:-/usr/bin/chromium-headless-shell}" ] && return
  echo "Installing Debian's Chromium, the one without windows ..."
  local as_root=""; [ "$(id -u)" = 0 ] || as_root=sudo
  { $as_root apt-get update -qq && $as_root apt-get install -y -qq chromium-headless-shell; } > .cache/chromium.log 2>&1 ||
    { cat .cache/chromium.log >&2; exit 1; }
}
# Both wait for the network more than for a core.
mkdir -p .cache
install_browser &
browser=$!
install_packages
wait "$browser"

counts=$PWD/.cache/counts
: > "$counts"
export ZOARIUM_COUNTS=$counts
failures=$PWD/.cache/failures # named once more at the end, where they are not missed
: > "$failures"
export ZOARIUM_FAILURES=$failures
set +e
step() { # a check that counts as one
  local name=$1; shift
  echo "== $name"
  if "$@"; then
    echo "1 0" >> "$counts"
  else
    echo "0 1" >> "$counts"
    echo "$name" >> "$failures"
  fi
}
gives_way() { renice -n 19 -p "$BASHPID" > /dev/null; }
checks() {
  gives_way
  # TypeScript 7 checks in a third of the time; the lint rules still ask for what 5.9 is to programs.
  local tsc=node_modules/typescript-native/bin/tsc
  step "types" node $tsc --noEmit -p tsconfig.json
  step "types of the core, without DOM" node $tsc --noEmit -p core/tsconfig.json
  step "layout" npx prettier --check --log-level warn .
  step "lint" npx eslint .
  step "direction of imports" npx depcruise --config .dependency-cruiser.cjs --output-type err app src core formats server demo headless
  step "nothing unused" npx knip
  step "no stray pictures" pictures
  step "JSON Schema of the file format is current" npx tsx scripts/fileSchema.ts --check
  step "the compiled kernel is current" npx tsx scripts/kernels.mts --check
  step "the page of limits is current" npx tsx scripts/limitsPage.mts --check
  step "the page of the judgement is current" npx tsx scripts/judgementPage.mts --check
}
pictures() { # only those the README shows and those the app wears
  ! git ls-files -- '*.png' '*.jpg' '*.webp' | grep -vE '^(docs/screenshots|public)/'
}
units() {
  gives_way
  echo "== units and components"
  npx jest --ci --maxWorkers=2 --json --outputFile=.cache/jest.json
  node scripts/jestCounts.mjs .cache/jest.json "$counts" "$failures" || echo "0 1" >> "$counts"
}
# Building and the browser leave the cores idle at times: what needs no page fills them, and gives way.
checks > .cache/checks.log 2>&1 &
checking=$!
(build_web) || { wait; cat .cache/checks.log; echo "The build failed." >&2; exit 1; }
units > .cache/units.log 2>&1 &
testing=$!

echo "== browser"
browsing=$PWD/.cache/counts-browser
: > "$browsing"
ZOARIUM_COUNTS=$browsing npx playwright test || true
[ -s "$browsing" ] || echo "0 1" > "$browsing"

wait "$checking" "$testing"
cat .cache/checks.log .cache/units.log
cat "$browsing" >> "$counts"

read -r passed failed < <(awk '{p+=$1; f+=$2} END {print p+0, f+0}' "$counts")
[ ! -s "$failures" ] || { echo "== what failed"; cat "$failures"; }
echo "$passed passed, $failed failed"
[ "$failed" = 0 ] && [ "$passed" -gt 0 ]
