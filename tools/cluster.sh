# The database cluster of a data folder: set up once, shared by all who use it at a time, stopped by the last of them. Sourced by tools/lib.sh.
#
#   cluster/       the cluster itself; made under another name and put in place whole
#   password       of the user who sets it up, for the tools alone
#   password-app   of the app's role, which owns nothing in it
#   lock           held while it is set up, started or stopped
#   users          held, shared, by everyone who uses it; a lock that dies with its holder
#   postgres.log   bounded, see bound_log

# Where households live: outside the checkout, readable by no one else.
data_home() {
  if [ -n "${JOLLY_DATA:-}" ]; then echo "$JOLLY_DATA"
  elif [ "$(id -u)" = 0 ]; then echo /var/lib/jolly-crock
  else echo "${XDG_DATA_HOME:-$HOME/.local/share}/jolly-crock"; fi
}

# PostgreSQL refuses to run as root, so there it runs as postgres, in a folder postgres owns. Locks of ours are not its to hold.
as_pg() { if [ "$(id -u)" = 0 ]; then runuser -u postgres -- "$@" 7>&- 8>&- 9>&-; else "$@" 7>&- 8>&- 9>&-; fi; }
owned_by_pg() { if [ "$(id -u)" = 0 ]; then chown postgres "$@"; fi; }

# Whether the cluster in a folder runs: a process id alone may be another program's by now.
cluster_runs() {
  local pg=$1 pid
  pid=$(head -n 1 "$pg/postmaster.pid" 2>/dev/null) || return 1
  [ -n "$pid" ] && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -qF -- "-D $pg"
}
cluster_port() { sed -n 4p "$1/postmaster.pid" 2>/dev/null; }
free_port() { node -e 'const s=require("net").createServer().listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }

# Makes the cluster under another name first, so that a start cut off half way leaves nothing that looks like one.
cluster_set_up() (
  umask 077
  local home=$1 new="$1/cluster.new" pass
  say "Setting up the database (once)…"
  rm -rf "$new"
  pass=$(node -p 'require("crypto").randomBytes(24).toString("hex")')
  printf '%s' "$pass" >"$home/password.new"; owned_by_pg "$home/password.new"
  as_pg "$PG_BIN/initdb" -D "$new" -U jolly -E UTF8 --locale=C.UTF-8 --auth=scram-sha-256 --pwfile="$home/password.new" >"$home/initdb.log" 2>&1 </dev/null || { tail -n 8 "$home/initdb.log" >&2; die "the database could not be set up in $home."; }
  mv "$home/password.new" "$home/password"
  mv "$new" "$home/cluster"
)

# What an older build's interrupted first start left: it never ran, so it never held anything.
cluster_set_aside() {
  local home=$1 aside
  aside="$home/cluster.unfinished-$(date +%Y%m%d-%H%M%S)"
  say "An earlier first start was cut off; what it left is set aside in $aside."
  mv "$home/cluster" "$aside"
}

# Starts it on the port it had, where that is free, so that those who know it by its address find it again.
cluster_start() {
  local home=$1 pg="$1/cluster" port tries=0
  if [ -f "$pg/postmaster.pid" ] && ! cluster_runs "$pg"; then rm -f "$pg/postmaster.pid"; fi
  port=$(cat "$home/port" 2>/dev/null || true)
  case "$port" in *[!0-9]*|'') port=$(free_port) ;; esac
  port_free "$port" || port=$(free_port)
  until as_pg "$PG_BIN/pg_ctl" -D "$pg" -w -t 60 -l "$home/postgres.log" -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories= ${JOLLY_PG_OPTIONS:-}" start >/dev/null 2>&1 </dev/null; do
    tries=$((tries + 1)); [ $tries -lt 4 ] || return 1
    sleep 1; port=$(free_port)
  done
  printf '%s' "$port" >"$home/port.new"; mv "$home/port.new" "$home/port"
}

# Makes sure the cluster runs, and counts this process among its users; sets DATABASE_ROOT (a URL without a database), the password of the app’s role, and CLUSTER_HOME.
cluster_up() {
  [ -n "${DATABASE_URL:-}" ] && return
  local home=$1 pg="$1/cluster"
  ( umask 077; mkdir -p "$home" ); owned_by_pg "$home"; chmod 700 "$home"
  exec 8>>"$home/lock"; flock 8
  exec 9>>"$home/users"; flock -s 9
  chmod 600 "$home/lock" "$home/users"
  CLUSTER_HOME=$home
  if [ -d "$pg" ] && [ ! -f "$pg/postmaster.opts" ] && ! cluster_runs "$pg"; then
    # Never started: whole only if it starts now.
    { [ -f "$pg/global/pg_control" ] && [ -f "$home/password" ] && cluster_start "$home"; } || cluster_set_aside "$home"
  fi
  [ -f "$pg/PG_VERSION" ] || cluster_set_up "$home"
  cluster_runs "$pg" || cluster_start "$home" || { tail -n 8 "$home/postgres.log" >&2; die "the database did not start; the lines above are its own. ./jolly doctor says more."; }
  cluster_address "$home"
  flock -u 8; exec 8>&-
}
cluster_address() {
  if [ ! -s "$1/password-app" ]; then ( umask 077; node -p 'require("crypto").randomBytes(24).toString("hex")' >"$1/password-app.new"; mv "$1/password-app.new" "$1/password-app" ); fi
  JOLLY_APP_PASSWORD=$(cat "$1/password-app")
  DATABASE_ROOT="postgres://jolly:$(cat "$1/password")@127.0.0.1:$(cluster_port "$1/cluster")"
  export DATABASE_ROOT JOLLY_APP_PASSWORD
}

# Leaves the cluster; the last one out stops it. Others of the same folder are not touched.
cluster_down() {
  [ -n "${CLUSTER_HOME:-}" ] || return 0
  local home=$CLUSTER_HOME; CLUSTER_HOME=""
  exec 8>>"$home/lock"; flock 8
  exec 9>&-; exec 9>>"$home/users"
  if flock -n -x 9; then as_pg "$PG_BIN/pg_ctl" -D "$home/cluster" -m fast -w stop >/dev/null 2>&1 </dev/null || true; fi
  exec 9>&-
  flock -u 8; exec 8>&-
}

# Brings a cluster that died back, on its old port if it can. Says so.
cluster_again() {
  [ -n "${CLUSTER_HOME:-}" ] || return 0
  local home=$CLUSTER_HOME failed=0
  exec 8>>"$home/lock"; flock 8
  if ! cluster_runs "$home/cluster"; then
    say "The database stopped by itself; starting it again…"
    if cluster_start "$home"; then cluster_address "$home"; say "The database is back."; else failed=1; fi
  fi
  flock -u 8; exec 8>&-
  return $failed
}
