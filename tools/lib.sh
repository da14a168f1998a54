# What ./jolly is made of: finding or installing what is missing, the database cluster, serving and testing.
# Sourced by ../jolly, which has set -euo pipefail and stands in the project's folder.
. tools/cluster.sh
. tools/serve.sh
. tools/unit.sh

say() { printf '%s\n' "$*" >&2; }
die() { say "jolly: $*"; exit 1; }

need_node() {
  command -v node >/dev/null || die "Node.js is missing. Install Node.js 20 (on Debian: your Node.js package), then try again."
  node -e 'process.exit(+process.versions.node.split(".")[0] >= 20 ? 0 : 1)' || die "Node.js $(node -v) is too old; version 20 or newer is needed."
}

# npm packages: only when the lock has changed since they were last put in.
need_packages() {
  local mark=node_modules/.jolly-lock want
  want=$(sha256sum package-lock.json | cut -d' ' -f1)
  [ -f "$mark" ] && [ "$(cat "$mark")" = "$want" ] && return
  say "Putting in the packages (once)…"
  local log; log=$(mktemp)
  if ! npm ci --no-audit --no-fund >"$log" 2>&1; then
    say "npm ci did not succeed; trying npm install."
    npm install --no-save --no-audit --no-fund >>"$log" 2>&1 || { tail -n 12 "$log" >&2; die "the packages could not be put in. Is the npm registry reachable? The lines above are npm's own."; }
  fi
  rm -f "$log"
  printf '%s' "$want" >"$mark"
}

apt_put() {
  command -v apt-get >/dev/null || die "$1 is missing and this is not a Debian machine. Install it by your own means, then try again."
  [ "$(id -u)" = 0 ] || command -v sudo >/dev/null || die "$1 is missing. Run as root once: apt-get install $1"
  local sudo=""; [ "$(id -u)" = 0 ] || sudo=sudo
  say "Installing $1 from Debian's packages (once)…"
  local log; log=$(mktemp)
  { $sudo apt-get update && DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y --no-install-recommends "$1"; } >"$log" 2>&1 </dev/null || { tail -n 12 "$log" >&2; die "$1 could not be installed. Are Debian's packages reachable? The lines above are apt's own."; }
  rm -f "$log"
}

pg_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1; }

need_postgres() {
  [ -n "${DATABASE_URL:-}" ] && return
  [ -x "$(pg_bin)/initdb" ] || apt_put postgresql
  PG_BIN=$(pg_bin); export PG_BIN
  [ -x "$PG_BIN/initdb" ] || die "PostgreSQL is installed but its initdb cannot be found."
}

# Either of Debian's builds does; the one without windows is smaller and twice as quick, so that is the one to put in.
need_chromium() { command -v chromium-headless-shell >/dev/null || command -v chromium >/dev/null || (apt_put chromium-headless-shell) || apt_put chromium; }

# Takes a household’s own certificate into a browser of the tests.
need_certutil() { command -v certutil >/dev/null || apt_put libnss3-tools; }

# A tool as one file, made anew when a source is newer: read file by file it takes four times as long to begin. Prints where it is.
as_tool() {
  local out=.jolly/tools/${1//\//-}.cjs
  if [ ! -f "$out" ] || [ -n "$(find src tools package-lock.json tsconfig.json -newer "$out" -type f -not -name '*.test.ts' -print -quit)" ]; then
    mkdir -p .jolly/tools
    # It finds the migrations and the demo from where it stands among the sources.
    node_modules/.bin/esbuild "$1" --bundle --platform=node --format=cjs --target=node20 --log-level=error \
      "--define:import.meta.url=\"$(node -p 'require("url").pathToFileURL(process.argv[1]).href' "$here/$1")\"" --outfile="$out.$$" >&2 && mv -f "$out.$$" "$out" || die "$1 could not be made ready; the lines above say where."
  fi
  printf '%s' "$here/$out"
}
run_ts() { local tool; tool=$(as_tool "$1") || exit 1; shift; exec node --no-warnings "$tool" "$@"; }

# Sources newer than the last build make it stale.
build_stale() {
  local dist=${JOLLY_DIST:-.next}
  [ -f "$dist/BUILD_ID" ] && [ -f public/sw.js ] && [ -f public/highs.wasm ] || return 0
  [ -n "$(find src package-lock.json next.config.ts postcss.config.mjs tsconfig.json -not -name '*.test.ts' -newer "$dist/BUILD_ID" -type f -print -quit)" ]
}
# A build is never replaced under a server that serves it: servers share a lock, a build wants it alone.
need_build() {
  build_stale || return 0
  mkdir -p .jolly; exec 7>.jolly/serving
  if ! flock -n -x 7; then
    [ "${1:-}" = for-tests ] || die "another Jolly Crock runs from this folder on an older build. Stop it first, so that its pages are not pulled from under it."
    export JOLLY_DIST=.next-test
    build_stale || return 0
  fi
  say "Building (about half a minute)…"
  local log; log=$(mktemp)
  mkdir -p public; cp node_modules/highs/build/highs.wasm public/highs.wasm
  TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/shell.ts || die "the service worker could not be made; the lines above say where."
  NEXT_TELEMETRY_DISABLED=1 node_modules/.bin/next build >"$log" 2>&1 </dev/null || { tail -n 30 "$log" >&2; die "the build failed; the lines above say where."; }
  rm -f "$log"; flock -u 7
}

with_database() {
  cluster_up "$(data_home)"; trap cluster_down EXIT
  local tool=tools/household.ts
  if [ "$1" = doctor ]; then shift; tool=tools/doctor.ts; fi
  tool=$(as_tool "$tool") || exit 1
  JOLLY_HOME=$(data_home) node --no-warnings "$tool" "$@"
}

# Lint and form of all sources; each is told, whatever the other found.
looked_over() {
  local found=0
  say "lint";   node_modules/.bin/eslint --quiet . || found=1
  say "form";   node_modules/.bin/prettier --log-level warn --check . || found=1
  return $found
}

# Every test: types, lint, core, store, command, browser; one production build; a throwaway cluster.
run_tests() {
  local only=${1:-all} failed=0
  # Not local: the trap outlives this function.
  scratch=$(node -p 'require("path").join(require("fs").realpathSync(require("os").tmpdir()), "jolly-test-" + process.pid)')
  mkdir -p .jolly; mkdir -m 755 -p "$scratch"
  if [ "$(id -u)" = 0 ]; then mkdir -p "$scratch/data"; chown -R postgres "$scratch/data"; fi
  trap 'cluster_down; rm -rf "$scratch"' EXIT
  # The sources are looked over beside the build, and what was found is told before the tests begin.
  local looked=""
  if [ "$only" = all ]; then
    looked_over >"$scratch/looked" 2>&1 & looked=$!
    say "types"; node_modules/.bin/next typegen >/dev/null 2>&1 || true; node_modules/.bin/tsc --noEmit || failed=1
  fi
  if [ "$only" != unit ]; then
    # Durability is tested by killing servers, not by pulling plugs: syncing every write would only slow the suite.
    JOLLY_PG_OPTIONS="-c fsync=off" cluster_up "$scratch/data"
    if [ "$only" = all ] || [ "$only" = browser ]; then need_build for-tests; fi
  fi
  if [ -n "$looked" ]; then wait "$looked" || failed=1; cat "$scratch/looked" >&2; fi
  local projects
  case "$only" in all) projects="core store command browser" ;; unit) projects="core" ;; store|command|browser) projects="$only" ;; *) die "test knows unit, store, command and browser." ;; esac
  JOLLY_TEST_SCRATCH=$scratch node --no-warnings node_modules/.bin/jest --selectProjects $projects --json --outputFile="$scratch/out.json" --maxWorkers=3 --forceExit || failed=1
  node -e '
    const o = JSON.parse(require("fs").readFileSync(process.argv[1]));
    const extra = +process.argv[2] && o.numFailedTests + o.numRuntimeErrorTestSuites === 0 ? 1 : 0;
    console.log(`tests: ${o.numPassedTests} passed, ${o.numFailedTests + o.numRuntimeErrorTestSuites + extra} failed`);' "$scratch/out.json" "$failed" || { echo "tests: 0 passed, 1 failed"; failed=1; }
  return $failed
}

# A folder of its own for a cluster that is thrown away afterwards; sets scratch, which outlives the function for its trap.
scratch_cluster() {
  scratch=$(node -p 'require("path").join(require("fs").realpathSync(require("os").tmpdir()), process.argv[1] + "-" + process.pid)' "$1")
  mkdir -p .jolly; mkdir -m 755 -p "$scratch"
  trap 'cluster_down; rm -rf "$scratch"' EXIT
  cluster_up "$scratch/data"
}

# Struck and asked by the thousand, on a cluster that is thrown away, synced as a real one is.
run_torture() {
  scratch_cluster jolly-torture
  need_build for-tests
  TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/torture.ts "$@"
}

# Measured on a scratch cluster and the production build, beside any household.
run_bench() {
  scratch_cluster jolly-bench
  need_build for-tests
  TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/bench/main.ts
}
