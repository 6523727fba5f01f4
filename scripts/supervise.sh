#!/usr/bin/env bash
# Keeps the application running: begins it again when it ends, and ends it when it shows no sign of life for a minute.
# Called with the command; SATCHEL_STATE is where its numbers are kept, SATCHEL_PORT where it answers.
set -u
child=""
trap '[ -n "$child" ] && kill "$child" 2>/dev/null; wait; exit 0' TERM INT

lives() {
  local line=""
  exec 4<>"/dev/tcp/127.0.0.1/$SATCHEL_PORT" || return 1
  printf 'GET /livez HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&4
  IFS= read -r -t 5 line <&4 || true
  exec 4>&-
  case "$line" in *" 200"*) return 0 ;; *) return 1 ;; esac
}

answered=""
failures=0
while true; do
  began=$SECONDS
  "$@" &
  child=$!
  printf '%s\n' "$child" >"$SATCHEL_STATE/app.pid"
  silent=0
  while kill -0 "$child" 2>/dev/null; do
    sleep 2 & wait $!
    if lives 2>/dev/null; then
      silent=0; answered=1
    elif [ $((SECONDS - began)) -gt 120 ]; then
      silent=$((silent + 1))
      if [ "$silent" -ge 10 ]; then
        printf 'satchel: the application shows no sign of life and is begun again.\n' >&2
        kill -9 "$child" 2>/dev/null
      fi
    fi
  done
  wait "$child" 2>/dev/null
  # What never answered is not mended by beginning it again.
  if [ -z "$answered" ]; then exit 1; fi
  if [ $((SECONDS - began)) -lt 60 ]; then failures=$((failures + 1)); else failures=0; fi
  pause=$((failures > 5 ? 30 : 1 + failures * 2))
  printf 'satchel: the application ended and is begun again in %s seconds.\n' "$pause" >&2
  sleep "$pause" & wait $!
done
