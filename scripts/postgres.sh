# A PostgreSQL of our own: its data in .satchel, on a loopback port of its own, reached with a password over TCP only.

pg_user=postgres

# As root the server runs as an unprivileged user, who may not be able to enter this folder: then its data lies elsewhere.
choose_pg_data() {
  pg_data="$state/postgres"
  if [ "$(id -u)" = 0 ]; then
    id "$pg_user" >/dev/null 2>&1 || die "There is no user “$pg_user” to run PostgreSQL as; Debian's package makes one."
    if ! runuser -u "$pg_user" -- test -x "$home" 2>/dev/null; then
      pg_data="/var/lib/open-satchel/$(printf '%s' "${state%/.satchel}" | cksum | cut -d' ' -f1)/postgres"
    fi
  fi
}

as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u "$pg_user" -- "$@"); else (cd / && "$@"); fi
}

pg_is_running() { [ -n "${pg_bin:-}" ] && as_pg test -f "$pg_data/postmaster.pid" 2>/dev/null && as_pg "$pg_bin/pg_ctl" -D "$pg_data" status >/dev/null 2>&1; }

port_is_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

free_port() {
  local port=$1
  while port_is_taken "$port"; do port=$((port + 1)); [ "$port" -lt 65000 ] || die "No free port was found for PostgreSQL."; done
  printf '%s' "$port"
}

init_pg() {
  [ -s "$state/postgres.password" ] || (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=' >"$state/postgres.password")
  as_pg test -f "$pg_data/PG_VERSION" 2>/dev/null && return 0
  [ "$pg_data" = "$state/postgres" ] || say "PostgreSQL's user cannot enter $home; the database lies in $pg_data."
  mkdir -p "$pg_data"
  chmod 700 "$pg_data"
  local secret="$pg_data.secret"
  (umask 077 && cp "$state/postgres.password" "$secret")
  if [ "$(id -u)" = 0 ]; then chown "$pg_user" "$pg_data" "$secret"; fi
  if ! as_pg "$pg_bin/initdb" -D "$pg_data" -U satchel --pwfile="$secret" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$state/initdb.log" 2>&1; then
    rm -f "$secret"
    die "The database could not be made; $state/initdb.log says why."
  fi
  rm -f "$secret"
}

# Sets pg_port and pg_password.
start_pg() {
  choose_pg_data
  init_pg
  pg_password=$(cat "$state/postgres.password")
  if pg_is_running; then
    pg_port=$(as_pg sed -n 4p "$pg_data/postmaster.pid")
    return 0
  fi
  pg_port=$(free_port "$(cat "$state/postgres.port" 2>/dev/null || echo 54329)")
  if ! as_pg "$pg_bin/pg_ctl" -D "$pg_data" -w -t 60 -l "$pg_data/server.log" -o "-p $pg_port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=60" start >/dev/null 2>&1; then
    as_pg tail -5 "$pg_data/server.log" >&2 || true
    die "PostgreSQL did not start; $pg_data/server.log says why."
  fi
  printf '%s\n' "$pg_port" >"$state/postgres.port"
}

stop_pg() {
  choose_pg_data
  find_postgres || return 0
  pg_is_running && as_pg "$pg_bin/pg_ctl" -D "$pg_data" -m fast -w stop >/dev/null 2>&1 || true
}

pg() { PGPASSWORD=$pg_password "$pg_bin/psql" -h 127.0.0.1 -p "$pg_port" -U satchel -v ON_ERROR_STOP=1 -qAt "$@"; }

make_database() {
  [ "$(pg -d postgres -c "select 1 from pg_database where datname = '$1'")" = 1 ] || pg -d postgres -c "create database $1"
}

remake_database() { pg -d postgres -c "drop database if exists $1 with (force)" -c "create database $1"; }
