# Serving a household: the app and its database watched, and brought back when one of them dies. Sourced by tools/lib.sh.

# The port a server of ours already holds would be answered by the wrong household, so a taken port is refused.
port_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"; }

# A log is begun anew before it fills the disk; the one before it is kept.
MOST_LOG=4000000
bound_log() {
  [ "$(stat -c %s "$1" 2>/dev/null || echo 0)" -gt $MOST_LOG ] || return 0
  cp -f "$1" "$1.1" 2>/dev/null || true
  : >"$1"
}

# Whether the app answers at all within some seconds, be it to say that its journal is away.
answers() (
  exec 5<>"/dev/tcp/127.0.0.1/$1" || exit 1
  printf 'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1:%s\r\nConnection: close\r\n\r\n' "$1" >&5
  read -r -t "$2" line <&5 && case "$line" in HTTP/*) exit 0 ;; esac
  exit 1
) 2>/dev/null

# Root's app runs as a user of its own, who can read this folder and nothing of the database's; and none outlives the script that started it.
APP_USER=jolly-crock
as_app() {
  local who=(setpriv --pdeathsig TERM)
  command -v setpriv >/dev/null || { "$@"; return; }
  if [ "$(id -u)" = 0 ]; then
    id -u $APP_USER >/dev/null 2>&1 || useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin $APP_USER >/dev/null 2>&1 || true
    local as=(--reuid $APP_USER --regid $APP_USER --init-groups)
    if setpriv "${as[@]}" test -r "$here/${JOLLY_DIST:-.next}/BUILD_ID" -a -r "$here/node_modules/next/package.json" 2>/dev/null; then who+=("${as[@]}"); fi
  fi
  # What opens the whole cluster is the tools' alone.
  exec env -u DATABASE_ROOT -u JOLLY_APP_PASSWORD "${who[@]}" "$@"
}

# What a household may be called.
household_named() {
  local household=$1
  case "$household" in *[!a-z0-9-]*|''|-*) die "a household's name is small letters, figures and dashes, like “lock-cottage”." ;; esac
  [ ${#household} -le 40 ] || die "a household's name is at most 40 letters long."
}

# Starts the app and waits until it answers; sets SERVER.
app_up() {
  local how=$1 port=$2 log=$3 i=0
  bound_log "$log"
  ( as_app node_modules/.bin/next "$how" -H 127.0.0.1 -p "$port" ) >>"$log" 2>&1 </dev/null 8>&- 9>&- &
  SERVER=$!
  until answers "$port" 5; do
    i=$((i + 1)); kill -0 "$SERVER" 2>/dev/null && [ $i -lt 150 ] || return 1
    sleep 0.2
  done
}
app_down() { [ -z "${SERVER:-}" ] || { kill -"${1:-TERM}" "$SERVER" 2>/dev/null || true; wait "$SERVER" 2>/dev/null || true; }; SERVER=""; }

# Copies make themselves: soon after the start and then every hour it is asked whether one is wanted, which it is once a day where something was
# written. The demo is made anew whenever it is wanted, and needs none.
COPY_FIRST=${JOLLY_COPY_FIRST:-90} COPY_EVERY=3600
copies_home() { echo "${JOLLY_COPIES:-$(data_home)-copies}"; }
copy_by_itself() {
  local household=$1 log=$2
  ( tool=$(as_tool tools/household.ts) && exec setpriv --pdeathsig TERM node --no-warnings "$tool" copy "$(copies_home)/$household" --household "$household" ) >>"$log" 2>&1 </dev/null 8>&- 9>&- &
}

# Watches both until it is told to stop. What died comes back, sooner at first and later more patiently; each time it is said.
watch_over() {
  local how=$1 port=$2 log=$3 household=$4 pause=1 beats=0 silent=0 seconds=0 url
  while :; do
    # What is started here must not keep the cluster’s lock beyond its holder.
    sleep 1 8>&- 9>&- & wait $! || true
    beats=$((beats + 1)); seconds=$((seconds + 1))
    if { [ "$household" != demo ] || [ -n "${JOLLY_COPIES:-}" ]; } && [ $((seconds % COPY_EVERY)) -eq $((COPY_FIRST % COPY_EVERY)) ]; then copy_by_itself "$household" "$log"; fi
    [ $((beats % 3)) -ne 0 ] || front_by_tick "$port" "$(data_home)/house-$household.log"
    [ $((beats % 10)) -ne 0 ] || front_again "$port" "$(data_home)/house-$household.log"
    [ $((beats % 30)) -ne 0 ] || { bound_log "$log"; [ -z "${CLUSTER_HOME:-}" ] || bound_log "$CLUSTER_HOME/postgres.log"; }
    [ $beats -lt 60 ] || { pause=1; beats=0; }
    if [ -n "${CLUSTER_HOME:-}" ] && ! cluster_runs "$CLUSTER_HOME/cluster"; then
      if cluster_again; then
        url=$(household_url "$household")
        # It had to take another port: the app must learn of it.
        if [ "$url" != "$DATABASE_URL_NOW" ]; then DATABASE_URL_NOW=$url; app_down; fi
      else
        say "The database does not start; trying again in $pause s. Its log: $CLUSTER_HOME/postgres.log"; sleep $pause 8>&- 9>&- & wait $! || true; pause=$((pause < 30 ? pause * 2 : 30))
      fi
    fi
    if [ $((beats % 5)) -eq 0 ] && [ -n "$SERVER" ] && kill -0 "$SERVER" 2>/dev/null; then
      if answers "$port" 5; then silent=0; else silent=$((silent + 1)); fi
      if [ $silent -ge 4 ]; then say "The app does not answer; starting it again…"; app_down KILL; silent=0; fi
    fi
    if [ -z "$SERVER" ] || ! kill -0 "$SERVER" 2>/dev/null; then
      [ -z "$SERVER" ] || { wait "$SERVER" 2>/dev/null || true; say "The app stopped by itself; starting it again…"; }
      SERVER=""
      if DATABASE_URL=$DATABASE_URL_NOW app_up "$how" "$port" "$log"; then say "The app is back."
      else say "The app does not start; trying again in $pause s. Its log: $log"; app_down KILL; sleep $pause 8>&- 9>&- & wait $! || true; pause=$((pause < 30 ? pause * 2 : 30)); fi
    fi
  done
}

# The demo's instruments are small programs of their own, each on a port after the app's; a port that is taken leaves that one out.
STANDINS=()
standins_up() {
  local port=$1 log=$2 at n=1 what tool
  tool=$(as_tool src/standins/main.ts) || return 0
  for what in scale probe mail printer; do
    at=$((port + n)); n=$((n + 1)); [ "$what" != mail ] || n=$((n + 1))
    port_free "$at" && { [ "$what" != mail ] || port_free $((at + 1)); } || { say "Port $at is taken: no $what this time."; continue; }
    ( exec setpriv --pdeathsig TERM node --no-warnings "$tool" "$what" "$at" ) >>"$log" 2>&1 </dev/null 8>&- 9>&- &
    STANDINS+=($!)
    case $what in scale) export JOLLY_SCALE=127.0.0.1:$at ;; probe) export JOLLY_PROBE=127.0.0.1:$at ;; printer) export JOLLY_PRINTER=127.0.0.1:$at ;; mail) export JOLLY_SMTP=127.0.0.1:$at JOLLY_MAIL_PAGE=127.0.0.1:$((at + 1)) ;; esac
  done
}
standins_down() { local p; for p in "${STANDINS[@]:-}"; do [ -z "$p" ] || kill -TERM "$p" 2>/dev/null || true; done; STANDINS=(); }

# Beside the database's folder, which its own user alone may enter; never in a backup.
house_home() { echo "$(data_home)-house"; }

# The house's front: TLS on this machine's private addresses, for other devices of the household. Its keys are its own user's alone.
FRONT=""
front_up() {
  local port=$1 log=$2 folder tool; folder="$(house_home)"; tool=$(as_tool src/house/main.ts) || return 0
  mkdir -p "$folder"; chmod 700 "$folder"
  [ "$(id -u)" != 0 ] || { id -u $APP_USER >/dev/null 2>&1 && chown -R $APP_USER: "$folder"; } || true
  export JOLLY_HOUSE_PORT=${JOLLY_HOUSE_PORT:-$((port + 10))} JOLLY_HOUSE_FOLDER=$folder
  ( DATABASE_URL=$DATABASE_URL_NOW as_app node --no-warnings "$tool" ) >>"$log" 2>&1 </dev/null 8>&- 9>&- &
  FRONT=$!
}
front_down() { [ -z "$FRONT" ] || { kill -TERM "$FRONT" 2>/dev/null || true; wait "$FRONT" 2>/dev/null || true; }; FRONT=""; }
# What ended by itself begins again: its addresses changed, its certificate was to be renewed, or this machine had no private address.
front_again() {
  [ -n "$FRONT" ] && ! kill -0 "$FRONT" 2>/dev/null || return 0
  wait "$FRONT" 2>/dev/null || true
  front_up "$1" "$2"
}

# Whether a keeper has ticked that the house is open: yes, no, or nothing where the app does not say.
opens_now() (
  exec 5<>"/dev/tcp/127.0.0.1/$1" || exit 0
  printf 'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1:%s\r\nConnection: close\r\n\r\n' "$1" >&5
  case "$(timeout 3 cat <&5)" in *'"opens":true'*) echo yes ;; *'"opens":false'*) echo no ;; esac
) 2>/dev/null
# Opened and shut by that tick while it runs, unless it was started open.
front_by_tick() {
  [ "$HOUSE_ASKED" != yes ] || return 0
  case "$(opens_now "$1")$FRONT" in
    yes) front_up "$1" "$2"; say "The house is being opened to other devices, as its page says." ;;
    no?*) front_down; say "The house is shut to other devices, as its page says." ;;
  esac
}

household_url() { node --no-warnings "$(as_tool tools/household.ts)" address "$1"; }

# A clock of one's own is an instant, or the start is refused: every page would stumble over it.
real_clock() {
  node -e 'process.exit(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/.test(process.argv[1]) && !Number.isNaN(Date.parse(process.argv[1])) ? 0 : 1)' "$2" || die "$1 is not an instant like 2026-11-24T09:00:00Z: $2"
}

serve() {
  local how=$1 household=demo port=4160 house=no log tool opened; shift
  while [ $# -gt 0 ]; do case "$1" in
    --household) household=${2:?a name is wanted after --household}; shift 2 ;;
    --house) house=yes; shift ;;
    --port) port=${2:?a number is wanted after --port}; shift 2 ;;
    *) die "start does not know “$1”. See ./jolly help." ;;
  esac; done
  household_named "$household"
  case "$port" in *[!0-9]*|''|??????*) die "a port is a number from 1 to 65535." ;; esac
  { [ "$port" -ge 1 ] && [ "$port" -le 65535 ]; } || die "a port is a number from 1 to 65535."
  [ -z "${JOLLY_NOW:-}" ] || real_clock JOLLY_NOW "$JOLLY_NOW"
  [ -z "${JOLLY_NOW_FROZEN:-}" ] || real_clock JOLLY_NOW_FROZEN "$JOLLY_NOW_FROZEN"
  port_free "$port" || die "port $port is taken. Is Jolly Crock running already? Otherwise choose another with --port."
  SERVER=""
  # Asked to stop is success; anything else keeps the status it failed with.
  tidy() { trap - EXIT INT TERM HUP; front_down; standins_down; app_down; cluster_down; exit "$1"; }
  trap 'tidy $?' EXIT
  trap 'tidy 0' INT TERM HUP
  cluster_up "$(data_home)"
  mkdir -p .jolly "$(data_home)"; if [ "$how" = start ]; then need_build; exec 7>.jolly/serving; flock -s 7; fi
  # The demo stands still in time, at the day its journal was written for, and ticks on from there.
  if [ "$household" = demo ]; then export JOLLY_NOW=${JOLLY_NOW:-2026-11-24T09:00:00Z}; fi
  tool=$(as_tool tools/household.ts) || exit 1
  # Its address, and whether a keeper has ticked that its house is open.
  opened=$(node --no-warnings "$tool" open "$household") || die "the household could not be opened."
  DATABASE_URL_NOW=${opened%%$'\n'*}
  export JOLLY_PORT=$port NEXT_TELEMETRY_DISABLED=1
  JOLLY_FRONT_SECRET=$(od -An -v -tx1 -N32 /dev/urandom | tr -d ' \n'); export JOLLY_FRONT_SECRET
  HOUSE_ASKED=$house
  [ "$house" = yes ] || house=${opened##*$'\n'}
  log="$(data_home)/app-$household.log"
  [ "$household" != demo ] || [ "${JOLLY_STANDINS:-on}" = off ] || standins_up "$port" "$log"
  DATABASE_URL=$DATABASE_URL_NOW app_up "$how" "$port" "$log" || { tail -n 15 "$log" >&2; die "the app did not start."; }
  [ "$house" != yes ] || front_up "$port" "$(data_home)/house-$household.log"
  say "Jolly Crock, household “$household”:"
  echo "http://127.0.0.1:$port"
  [ "$house" != yes ] || say "The house is being opened to other devices; where, its page “Household” says. Its log: $(data_home)/house-$household.log"
  say "Ctrl-C stops it."
  watch_over "$how" "$port" "$log" "$household"
}
