# What the load tests have in common: a server with a database and files of its own under .satchel/NAME, which go with it.
. "$home/scripts/server.sh"

# Builds what is needed and starts a server at a free port; afterwards $base is its address, and run_load runs a class of the bench.
begin_load() {
  local name=$1 port
  make_state
  need_java; need_postgres; need_maven
  if [ ! -f "$web_jar" ] || is_stale web base formats core worker web; then build_web; fi
  say "Building the bench…"
  run_maven -q -pl bench -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  load_classpath="$home/bench/target/satchel-bench-0.1.0.jar:$(printf '%s:' "$home"/bench/target/lib/*.jar)"
  state="$home/.satchel/$name"
  load_log="$home/.satchel/$name.log"
  rm -rf "$state"
  mkdir -p "$state"
  choose_pg_data
  start_pg
  make_database satchel
  port=$(free_port "$2")
  base="http://127.0.0.1:$port"
  launch "$port" ""
  # However it ends, nothing is left running.
  trap end_load EXIT
  trap 'exit 130' INT TERM
}

run_load() {
  local class=$1
  shift
  PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 "$java" -Xmx512m -Xss512k -XX:-UsePerfData -cp "$load_classpath" "org.opensatchel.bench.$class" "$base" "$@"
}

# Stops it; nothing stays but its log.
end_load() {
  stop_server >/dev/null 2>&1
  cp "$state/log" "$load_log" 2>/dev/null || true
  if [ "$(id -u)" = 0 ]; then case "$pg_data" in /var/lib/open-satchel/*/postgres) rm -rf "$pg_data" ;; esac; fi
  rm -rf "$state"
}
