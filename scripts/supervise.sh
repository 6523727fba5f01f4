#!/usr/bin/env bash
# Keeps the application running: begins it again when it ends, and ends it when it shows no sign of life for a minute. One that answers nobody but
# says that it lives is asked too much: beginning it again would help nobody, so it is given ten minutes.
# Called with the command; SATCHEL_STATE is where its numbers are kept, SATCHEL_PORT where it answers. While it starts it says in
# SATCHEL_STARTING how far it has come, and that it lives once it serves: it is waited for as long as that goes on, however slow the machine is.
set -u
child=""
# So long nothing new may be said while it starts; changing a large database says nothing until it is done.
still_seconds=${SATCHEL_STILL_SECONDS:-300}
database_seconds=${SATCHEL_DATABASE_SECONDS:-7200}
trap '[ -n "$child" ] && kill "$child" 2>/dev/null; wait; exit 0' TERM INT

lives() {
  local line=""
  exec 4<>"/dev/tcp/127.0.0.1/$SATCHEL_PORT" || return 1
  printf 'GET /livez HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' >&4
  IFS= read -r -t 5 line <&4 || true
  exec 4>&-
  case "$line" in *" 200"*) return 0 ;; *) return 1 ;; esac
}

# Whether the application has said something new, or may still be at what it said last.
comes_on() {
  local line
  line=$(cat "$SATCHEL_STARTING" 2>/dev/null || true)
  if [ "$line" != "$said" ]; then said=$line; said_at=$SECONDS; fi
  local most=$still_seconds
  case "$said" in database*) most=$database_seconds ;; esac
  [ $((SECONDS - said_at)) -lt "$most" ]
}

# The database may have ended by itself, as when its disk was full; it is begun again as soon as that is possible.
tend_database() {
  [ -n "${SATCHEL_DATABASE_PORT:-}" ] || return 0
  (exec 4<>"/dev/tcp/127.0.0.1/$SATCHEL_DATABASE_PORT") 2>/dev/null || "$SATCHEL_HOME/satchel" database >&2 || true
}

end_child() {
  printf 'satchel: %s\n' "$1" >&2
  kill -9 "$child" 2>/dev/null
}

answered=""
failures=0
while true; do
  began=$SECONDS
  said=""
  said_at=$SECONDS
  serves=""
  rm -f "$SATCHEL_STARTING"
  "$@" &
  child=$!
  printf '%s\n' "$child" >"$SATCHEL_STATE/app.pid"
  silent=0
  still=0
  round=0
  while kill -0 "$child" 2>/dev/null; do
    sleep 2 & wait $!
    round=$((round + 1))
    [ $((round % 5)) != 0 ] || tend_database
    if lives 2>/dev/null; then
      silent=0; still=0; answered=1; serves=1
    elif [ -z "$serves" ]; then
      comes_on || end_child "the application has stood still at “${said:-its beginning}” while it starts, and is ended."
    else
      # So many looks, of which each takes up to seven seconds.
      silent=$((silent + 1))
      still=$((still + 1))
      line=$(cat "$SATCHEL_STARTING" 2>/dev/null || true)
      if [ "$line" != "$said" ]; then said=$line; still=0; fi
      { [ "$still" -lt 10 ] && [ "$silent" -lt 100 ]; } || end_child "the application shows no sign of life and is begun again."
    fi
  done
  wait "$child" 2>/dev/null
  # It may have served between two looks.
  case "$(cat "$SATCHEL_STARTING" 2>/dev/null || true)" in serving*) answered=1 ;; esac
  # What never answered is not mended by beginning it again.
  if [ -z "$answered" ]; then exit 1; fi
  if [ $((SECONDS - began)) -lt 60 ]; then failures=$((failures + 1)); else failures=0; fi
  pause=$((failures > 5 ? 30 : 1 + failures * 2))
  printf 'satchel: the application ended and is begun again in %s seconds.\n' "$pause" >&2
  sleep "$pause" & wait $!
done
