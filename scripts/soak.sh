# A school of its own, with a database and files of its own, under load while its parts are killed; prints a table at the end.
. "$home/scripts/server.sh"

run_soak() {
  local minutes=${1:-30} port chaos status=0
  case "$minutes" in ''|*[!0-9]*) die "soak takes the number of minutes, like: ./satchel soak 10" ;; esac
  make_state
  need_java; need_postgres; need_maven
  if [ ! -f "$web_jar" ] || is_stale web core worker web; then build_web; fi
  say "Building the bench…"
  run_maven -q -pl bench -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  local classpath="$home/bench/target/satchel-bench-0.1.0.jar:$(printf '%s:' "$home"/bench/target/lib/*.jar)"
  # Everything below belongs to the soak alone, and goes with it.
  state="$home/.satchel/soak"
  rm -rf "$state"
  mkdir -p "$state"
  choose_pg_data
  start_pg
  make_database satchel
  port=$(free_port 8190)
  export SATCHEL_QUOTAS_KEPT=100000
  launch "$port" ""
  chaos_loop & chaos=$!
  # Whoever breaks it off leaves nothing running.
  trap 'touch "$state/calm" 2>/dev/null; kill "$chaos" 2>/dev/null; stop_server >/dev/null 2>&1; rm -rf "$state"; exit 130' INT TERM
  "$java" -Xmx512m -Xss512k -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.Soak "http://127.0.0.1:$port" "$minutes" "$state" || status=$?
  touch "$state/calm"
  kill "$chaos" 2>/dev/null || true
  wait "$chaos" 2>/dev/null || true
  stop_server >/dev/null
  cp "$state/log" "$home/.satchel/soak.log" 2>/dev/null || true
  if [ "$(id -u)" = 0 ]; then case "$pg_data" in /var/lib/open-satchel/*/postgres) rm -rf "$pg_data" ;; esac; fi
  rm -rf "$state"
  return "$status"
}

# Every so often something is killed, until it shall be calm.
chaos_loop() {
  local pid worker
  set +e
  # The school has to be made first.
  until [ -f "$state/begun" ]; do sleep 1; done
  while [ ! -f "$state/calm" ]; do
    sleep $((25 + RANDOM % 35))
    [ -f "$state/calm" ] && break
    pid=$(app_pid)
    case $((RANDOM % 6)) in
      0|1|2|3) worker=$(pgrep -P "${pid:-0}" java | shuf -n 1); [ -n "$worker" ] && kill -9 "$worker" && echo worker >>"$state/killed" ;;
      4) [ -n "$pid" ] && kill -9 "$pid" && echo server >>"$state/killed" ;;
      5) as_pg "$pg_bin/pg_ctl" -D "$pg_data" -m immediate stop >/dev/null 2>&1 && echo database >>"$state/killed"; sleep $((2 + RANDOM % 5)); start_pg >/dev/null 2>&1 ;;
    esac
  done
}
