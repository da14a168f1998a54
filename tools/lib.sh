# What ./jolly is made of: finding or installing what is missing, the database cluster, serving and testing.
# Sourced by ../jolly, which has set -euo pipefail and stands in the project's folder.

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

need_chromium() { command -v chromium >/dev/null || apt_put chromium; }

run_ts() { TSX_TSCONFIG_PATH="$here/tsconfig.json" exec node --no-warnings --import tsx "$@"; }

# Where households live: outside the checkout, readable by no one else.
data_home() {
  if [ -n "${JOLLY_DATA:-}" ]; then echo "$JOLLY_DATA"
  elif [ "$(id -u)" = 0 ]; then echo /var/lib/jolly-crock
  else echo "${XDG_DATA_HOME:-$HOME/.local/share}/jolly-crock"; fi
}

# PostgreSQL refuses to run as root, so there it runs as postgres, in a folder postgres owns.
as_pg() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@"; else "$@"; fi; }

# Starts the cluster unless it runs; sets DATABASE_ROOT (a URL without a database) and STARTED_CLUSTER.
cluster_up() {
  [ -n "${DATABASE_URL:-}" ] && return
  local home=$1 pg="$1/cluster"
  umask 077
  mkdir -p "$home"
  if [ "$(id -u)" = 0 ]; then chown postgres "$home"; fi
  if [ ! -f "$pg/PG_VERSION" ]; then
    say "Setting up the database (once)…"
    local pass; pass=$(node -p 'require("crypto").randomBytes(24).toString("hex")')
    printf '%s' "$pass" >"$home/password"
    if [ "$(id -u)" = 0 ]; then chown postgres "$home/password"; fi
    as_pg "$PG_BIN/initdb" -D "$pg" -U jolly -E UTF8 --locale=C.UTF-8 --auth=scram-sha-256 --pwfile="$home/password" >"$home/initdb.log" 2>&1 </dev/null || { tail -n 8 "$home/initdb.log" >&2; die "the database could not be set up in $pg."; }
  fi
  STARTED_CLUSTER=""
  exec 8>"$home/lock"; flock 8
  if ! as_pg "$PG_BIN/pg_ctl" -D "$pg" status >/dev/null 2>&1; then
    local tries=0 port
    while :; do
      port=$(node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})')
      if as_pg "$PG_BIN/pg_ctl" -D "$pg" -w -t 60 -l "$home/postgres.log" -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories= ${JOLLY_PG_OPTIONS:-}" start >/dev/null 2>&1 </dev/null 8>&-; then break; fi
      tries=$((tries + 1)); [ $tries -lt 4 ] || { tail -n 8 "$home/postgres.log" >&2; die "the database did not start; the lines above are its own."; }
      sleep 1
    done
    printf '%s' "$port" >"$home/port"
    STARTED_CLUSTER="$pg"
  fi
  flock -u 8; exec 8>&-
  DATABASE_ROOT="postgres://jolly:$(cat "$home/password")@127.0.0.1:$(cat "$home/port")"
  export DATABASE_ROOT STARTED_CLUSTER
}

cluster_down() { [ -z "${STARTED_CLUSTER:-}" ] || as_pg "$PG_BIN/pg_ctl" -D "$STARTED_CLUSTER" -m fast -w stop >/dev/null 2>&1 </dev/null || true; STARTED_CLUSTER=""; }

# Sources newer than the last build make it stale.
build_stale() {
  local dist=${JOLLY_DIST:-.next}
  [ -f "$dist/BUILD_ID" ] || return 0
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
  NEXT_TELEMETRY_DISABLED=1 node_modules/.bin/next build >"$log" 2>&1 </dev/null || { tail -n 30 "$log" >&2; die "the build failed; the lines above say where."; }
  rm -f "$log"; flock -u 7
}

# The port a server of ours already holds would be answered by the wrong household, so a taken port is refused.
port_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"; }

serve() {
  local how=$1 household=demo port=4160; shift
  while [ $# -gt 0 ]; do case "$1" in
    --household) household=${2:?a name is wanted after --household}; shift 2 ;;
    --port) port=${2:?a number is wanted after --port}; shift 2 ;;
    *) die "start does not know “$1”. See ./jolly help." ;;
  esac; done
  case "$household" in *[!a-z0-9-]*|''|-*) die "a household's name is small letters, figures and dashes, like “lock-cottage”." ;; esac
  case "$port" in *[!0-9]*|'') die "a port is a number." ;; esac
  port_free "$port" || die "port $port is taken. Is Jolly Crock running already? Otherwise choose another with --port."
  local server=""
  # Asked to stop is success; anything else keeps the status it failed with.
  tidy() { trap - EXIT INT TERM HUP; [ -z "$server" ] || { kill -TERM "$server" 2>/dev/null || true; wait "$server" 2>/dev/null || true; }; cluster_down; exit "$1"; }
  trap 'tidy $?' EXIT
  trap 'tidy 0' INT TERM HUP
  cluster_up "$(data_home)"
  mkdir -p .jolly; if [ "$how" = start ]; then need_build; exec 7>.jolly/serving; flock -s 7; fi
  # The demo stands still in time, at the day its journal was written for, and ticks on from there.
  if [ "$household" = demo ]; then export JOLLY_NOW=${JOLLY_NOW:-2026-11-24T09:00:00Z}; fi
  local url
  url=$(TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/household.ts open "$household") || die "the household could not be opened."
  export DATABASE_URL=$url JOLLY_PORT=$port NEXT_TELEMETRY_DISABLED=1
  node_modules/.bin/next "$how" -H 127.0.0.1 -p "$port" >"$(data_home)/app.log" 2>&1 </dev/null &
  server=$!
  local i=0
  until node -e 'fetch("http://127.0.0.1:"+process.argv[1]+"/api/health").then(r=>process.exit(r.ok?0:1),()=>process.exit(1))' "$port"; do
    i=$((i + 1)); kill -0 "$server" 2>/dev/null && [ $i -lt 150 ] || { tail -n 15 "$(data_home)/app.log" >&2; die "the app did not start."; }
    sleep 0.2
  done
  say "Jolly Crock, household “$household”:"
  echo "http://127.0.0.1:$port"
  say "Ctrl-C stops it."
  wait "$server"
}

with_database() { cluster_up "$(data_home)"; trap cluster_down EXIT; TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/household.ts "$@"; }

# Every test: types, lint, core, store, command, browser; one production build; a throwaway cluster.
run_tests() {
  local only=${1:-all} failed=0
  # Not local: the trap outlives this function.
  scratch=$(node -p 'require("path").join(require("fs").realpathSync(require("os").tmpdir()), "jolly-test-" + process.pid)')
  mkdir -p .jolly; mkdir -m 755 -p "$scratch"
  if [ "$(id -u)" = 0 ]; then mkdir -p "$scratch/data"; chown -R postgres "$scratch/data"; fi
  trap 'cluster_down; rm -rf "$scratch"' EXIT
  if [ "$only" = all ]; then
    say "types";  node_modules/.bin/next typegen >/dev/null 2>&1 || true; node_modules/.bin/tsc --noEmit || failed=1
    say "lint";   node_modules/.bin/eslint --quiet . || failed=1
    say "form";   node_modules/.bin/prettier --log-level warn --check . || failed=1
  fi
  if [ "$only" != unit ]; then
    # Durability is tested by killing servers, not by pulling plugs: syncing every write would only slow the suite.
    JOLLY_PG_OPTIONS="-c fsync=off" cluster_up "$scratch/data"
    if [ "$only" = all ] || [ "$only" = browser ]; then need_build for-tests; fi
  fi
  local projects
  case "$only" in all) projects="core store command browser" ;; unit) projects="core" ;; store|command|browser) projects="$only" ;; *) die "test knows unit, store, command and browser." ;; esac
  JOLLY_TEST_SCRATCH=$scratch node --no-warnings node_modules/.bin/jest --selectProjects $projects --json --outputFile="$scratch/out.json" --maxWorkers=2 --forceExit || failed=1
  node -e '
    const o = JSON.parse(require("fs").readFileSync(process.argv[1]));
    const extra = +process.argv[2] && o.numFailedTests + o.numRuntimeErrorTestSuites === 0 ? 1 : 0;
    console.log(`tests: ${o.numPassedTests} passed, ${o.numFailedTests + o.numRuntimeErrorTestSuites + extra} failed`);' "$scratch/out.json" "$failed" || { echo "tests: 0 passed, 1 failed"; failed=1; }
  return $failed
}

# Measured on a scratch cluster and the production build, beside any household.
run_bench() {
  mkdir -p .jolly
  scratch=$(node -p 'require("path").join(require("fs").realpathSync(require("os").tmpdir()), "jolly-bench-" + process.pid)')
  mkdir -m 755 -p "$scratch"
  trap 'cluster_down; rm -rf "$scratch"' EXIT
  cluster_up "$scratch/data"
  need_build for-tests
  TSX_TSCONFIG_PATH="$here/tsconfig.json" node --no-warnings --import tsx tools/bench.ts
}
