# What takes how long before and after the database has grown to a million hand-ins and five million lines of the log: a database and files of
# its own, which go with it; prints a table at the end.
. "$home/scripts/load.sh"

run_growth() {
  export SATCHEL_QUOTAS_KEPT=1000
  begin_load growth 8192
  run_load GrowthBench >"$state/warm"
  run_load GrowthBench >"$state/small"
  housekeeping >>"$state/small"
  say "Letting the database grow…"
  pg -d satchel -f "$home/bench/src/main/sql/growth.sql"
  run_load GrowthBench >"$state/large"
  housekeeping >>"$state/large"
  printf '%-14s %10s %10s %8s\n' "ms" "small" "grown" "ratio"
  paste -d' ' "$state/small" "$state/large" | awk '{ printf "%-14s %10d %10d %8.2f\n", $1, $2, $4, $4 / $2 }'
  pg -d satchel -c "select 'hand-ins ' || count(*) from hand_in" -c "select 'lines of the log ' || count(*) from audit" -c "select pg_size_pretty(pg_database_size('satchel'))"
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
