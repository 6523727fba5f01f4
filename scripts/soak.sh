# A school of its own, with a database and files of its own, under load while its parts are killed; prints a table at the end.
. "$home/scripts/load.sh"

run_soak() {
  local minutes=${1:-30} status=0
  case "$minutes" in ''|*[!0-9]*) die "soak takes the number of minutes, like: ./satchel soak 10" ;; esac
  export SATCHEL_QUOTAS_KEPT=100000
  begin_load soak 8190
  chaos_loop &
  chaos=$!
  trap 'touch "$state/calm"; kill "$chaos" 2>/dev/null || true; wait "$chaos" 2>/dev/null || true; end_load' EXIT
  run_load Soak "$minutes" "$state" || status=$?
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
      0|1|2|3) worker=$(pgrep -P "${pid:-0}" java | shuf -n 1); [ -n "$worker" ] && kill -9 "$worker" && echo "worker $(date +%s%3N)" >>"$state/killed" ;;
      4) [ -n "$pid" ] && kill -9 "$pid" && echo "server $(date +%s%3N)" >>"$state/killed" ;;
      5) as_pg "$pg_bin/pg_ctl" -D "$pg_data" -m immediate stop >/dev/null 2>&1 && echo "database $(date +%s%3N)" >>"$state/killed"; sleep $((2 + RANDOM % 5))
        # Whoever keeps the server running may be quicker.
        (start_pg) >/dev/null 2>&1 || true ;;
    esac
  done
}
