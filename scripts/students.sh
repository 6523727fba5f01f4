# Students who send large projects while the server is killed: a database and files of its own, which go with it; prints a table at the end.
. "$home/scripts/server.sh"

run_students() {
  local port status=0
  make_state
  need_java; need_postgres; need_maven
  [ -x /usr/bin/chromium ] || install_packages chromium
  command -v curl >/dev/null || install_packages curl
  if [ ! -f "$web_jar" ] || is_stale web core worker web; then build_web; fi
  say "Building the bench…"
  run_maven -q -pl bench -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  local classpath="$home/bench/target/satchel-bench-0.1.0.jar:$(printf '%s:' "$home"/bench/target/lib/*.jar)"
  state="$home/.satchel/students"
  rm -rf "$state"
  mkdir -p "$state"
  choose_pg_data
  start_pg
  make_database satchel
  port=$(free_port 8191)
  export SATCHEL_HEAP=256m
  launch "$port" ""
  trap 'stop_server >/dev/null 2>&1; rm -rf "$state"; exit 130' INT TERM
  "$java" -Xmx512m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.Sendings "http://127.0.0.1:$port" "$state" || status=$?
  PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 "$java" -Xmx512m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.Browsers "http://127.0.0.1:$port" "$state" || status=$?
  stop_server >/dev/null
  cp "$state/log" "$home/.satchel/students.log" 2>/dev/null || true
  if [ "$(id -u)" = 0 ]; then case "$pg_data" in /var/lib/open-satchel/*/postgres) rm -rf "$pg_data" ;; esac; fi
  rm -rf "$state"
  return "$status"
}
