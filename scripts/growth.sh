# What takes how long before and after the database has grown to a million hand-ins and five million lines of the log: a database and files of
# its own, which go with it; prints a table at the end.
. "$home/scripts/server.sh"

run_growth() {
  local port
  make_state
  need_java; need_postgres; need_maven
  if [ ! -f "$web_jar" ] || is_stale web core worker web; then build_web; fi
  say "Building the bench…"
  run_maven -q -pl bench -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  local classpath="$home/bench/target/satchel-bench-0.1.0.jar:$(printf '%s:' "$home"/bench/target/lib/*.jar)"
  state="$home/.satchel/growth"
  rm -rf "$state"
  mkdir -p "$state"
  choose_pg_data
  start_pg
  make_database satchel
  port=$(free_port 8192)
  export SATCHEL_QUOTAS_KEPT=1000
  launch "$port" ""
  trap 'stop_server >/dev/null 2>&1; rm -rf "$state"; exit 130' INT TERM
  "$java" -Xmx256m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.GrowthBench "http://127.0.0.1:$port" >"$state/warm"
  "$java" -Xmx256m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.GrowthBench "http://127.0.0.1:$port" >"$state/small"
  housekeeping >>"$state/small"
  say "Letting the database grow…"
  pg -d satchel -f "$home/bench/src/main/sql/growth.sql"
  "$java" -Xmx256m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.GrowthBench "http://127.0.0.1:$port" >"$state/large"
  housekeeping >>"$state/large"
  printf '%-14s %10s %10s %8s\n' "ms" "small" "grown" "ratio"
  paste -d' ' "$state/small" "$state/large" | awk '{ printf "%-14s %10d %10d %8.2f\n", $1, $2, $4, $4 / $2 }'
  pg -d satchel -c "select 'hand-ins ' || count(*) from hand_in" -c "select 'lines of the log ' || count(*) from audit" -c "select pg_size_pretty(pg_database_size('satchel'))"
  stop_server >/dev/null
  if [ "$(id -u)" = 0 ]; then case "$pg_data" in /var/lib/open-satchel/*/postgres) rm -rf "$pg_data" ;; esac; fi
  rm -rf "$state"
}

# From when it is begun to when it has ended, as the scheduler tells.
housekeeping() {
  pg -d satchel -c "update scheduled_tasks set execution_time = now() where task_name = 'collect-contents'"
  local begun ended=0
  begun=$(date +%s%3N)
  until [ "$(pg -d satchel -c "select count(*) from scheduled_tasks where task_name = 'collect-contents' and picked")" = 1 ] || [ $(( $(date +%s%3N) - begun )) -gt 45000 ]; do sleep 0.02; done
  begun=$(date +%s%3N)
  until [ "$(pg -d satchel -c "select count(*) from scheduled_tasks where task_name = 'collect-contents' and picked")" = 0 ]; do sleep 0.02; done
  ended=$(date +%s%3N)
  printf 'housekeeping %d\n' $((ended - begun + 1))
}
