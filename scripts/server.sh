# Starting, stopping and looking at the application.
. "$home/scripts/postgres.sh"

# What runs is a copy: a build puts new files in the place of those it made before. It lies unpacked beside its libraries, which starts in
# half the time of a jar of jars, with its classes in a form that is only mapped into memory.
web_jar="$state/app/satchel-web.jar"

keep_web() {
  # The workers of a running application begin from its jar, which is not taken from under them.
  if app_pid >/dev/null; then say "The application goes on running as it was built before: ./satchel stop, then start, for what is new."; return 0; fi
  rm -rf "$state/app.new" "$state/app.old"
  cp "$home/web/target/satchel-web-0.1.0.jar" "$state/satchel-web.jar"
  (cd "$state" && "$java" -Djarmode=tools -jar satchel-web.jar extract --destination app.new >/dev/null)
  rm -f "$state/satchel-web.jar"
  [ ! -d "$state/app" ] || mv "$state/app" "$state/app.old"
  mv "$state/app.new" "$state/app"
  rm -rf "$state/app.old"
  built web
}

# The flags under which kept classes are used; they hold for one Java and one build.
class_flags() {
  classes="$state/app/classes-$(java_version "$java").jsa"
  flags=("-Xmx${SATCHEL_HEAP:-1g}" -XX:+ExitOnOutOfMemoryError -Djava.awt.headless=true -XX:-UsePerfData)
  [ ! -f "$classes" ] || flags+=("-XX:SharedArchiveFile=$classes" -Xshare:auto -Xlog:disable -Xlog:all=off)
}

# Keeps the classes of a start, by starting once without serving: the next start, and each after a crash, has them at hand.
keep_web_classes() {
  class_flags
  [ ! -f "$classes" ] || return 0
  "$java" "${flags[@]}" "-XX:ArchiveClassesAtExit=$classes.new" -Xlog:disable -Xlog:all=off -Dspring.context.exit=onRefresh -jar "$web_jar" \
    --server.port=0 --satchel.checks.enabled=false --db-scheduler.enabled=false >"$state/classes.log" 2>&1 && mv "$classes.new" "$classes" || rm -f "$classes.new"
}

# The process whose number stands in a file, if it is one of ours: a number left behind by a crash may belong to any program by now.
our_pid() {
  local pid
  pid=$(cat "$1" 2>/dev/null) || return 1
  [ -n "$pid" ] && [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF "$2" && printf '%s' "$pid"
}

app_pid() { our_pid "$state/app.pid" "$web_jar"; }
supervisor_pid() { our_pid "$state/supervisor.pid" "$home/scripts/supervise.sh"; }

# Whether an address of the application answers, and well.
app_answers() {
  local port=$1 path=${2:-/sign-in} line=""
  exec 4<>"/dev/tcp/127.0.0.1/$port" || return 1
  printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' "$path" >&4
  IFS= read -r -t 5 line <&4 || true
  exec 4>&-
  case "$line" in *" 200"*) return 0 ;; *) return 1 ;; esac
}

start_server() {
  local port=8080 foreground="" demo=true pid
  while [ $# -gt 0 ]; do
    case "$1" in
      --port) port=${2:-}; shift ;;
      --port=*) port=${1#--port=} ;;
      --foreground) foreground=1 ;;
      --no-demo) demo=false ;;
      *) die "start knows no “$1”. It takes --port N, --no-demo and --foreground." ;;
    esac
    shift || true
  done
  case "$port" in ''|*[!0-9]*) die "--port takes a number, like --port 8081." ;; esac
  [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || die "--port takes a number from 1 to 65535."
  if pid=$(app_pid); then
    # What it needs may have been stopped by itself.
    tend_pg
    say "Open Satchel is already running at http://127.0.0.1:$(cat "$state/app.port")/ (process $pid). Stop it with: ./satchel stop"
    return 0
  fi
  port_is_taken "$port" && die "Port $port is taken by another program. Choose another: ./satchel start --port $((port + 1))"
  make_state
  rm -f "$state/app.pid"
  need_java; need_postgres
  if [ ! -f "$web_jar" ] || is_stale web base formats core worker web; then need_maven; build_web; fi
  start_pg
  make_database satchel
  launch "$port" "$foreground" "$demo"
}

# What ended by itself is begun again.
tend_pg() {
  need_postgres
  choose_pg_data
  if ! pg_is_running; then start_pg; say "Its database was not running, and is started."; fi
}

build_web() {
  say "Building; the first time this takes a few minutes…"
  run_maven -q -pl web -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  keep_web
}

launch() {
  local port=$1 demo=${3:-true} pid told="" line
  export SATCHEL_STARTING="$state/starting"
  export SATCHEL_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/satchel" SATCHEL_DB_USER=satchel SATCHEL_DB_PASSWORD="$pg_password" SATCHEL_STORAGE="$state/storage" SATCHEL_DRIVES="$state/drives"
  export LC_ALL=C.UTF-8
  unset JAVA_TOOL_OPTIONS JDK_JAVA_OPTIONS _JAVA_OPTIONS
  # What is started here is served on this machine alone.
  [ ! -f "$state/app/classes-$(java_version "$java").jsa" ] && say "Keeping what makes the next starts quick, once…"
  keep_web_classes
  class_flags
  local command=("$java" "${flags[@]}" -jar "$web_jar" "--server.port=$port" "--satchel.demo=$demo")
  printf '%s\n' "$port" >"$state/app.port"
  if [ -n "$2" ]; then printf '%s\n' "$$" >"$state/app.pid"; exec "${command[@]}"; fi
  : >"$state/log"
  SATCHEL_STATE="$state" SATCHEL_PORT="$port" SATCHEL_HOME="$home" SATCHEL_DATABASE_PORT="$pg_port" setsid nohup bash "$home/scripts/supervise.sh" "${command[@]}" >>"$state/log" 2>&1 </dev/null &
  printf '%s\n' "$!" >"$state/supervisor.pid"
  until app_answers "$port" /readyz 2>/dev/null; do
    pid=$(cat "$state/supervisor.pid" 2>/dev/null || true)
    [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null || { tail -20 "$state/log" >&2; rm -f "$state/app.pid"; die "The application did not start; $state/log says why."; }
    # Whoever watches it ends it when it stands still; until then it is waited for.
    line=$(cat "$SATCHEL_STARTING" 2>/dev/null || true)
    case "$line" in database*) [ "$line" = "$told" ] || say "Bringing the database to version ${line#database }…"; told=$line ;; esac
    sleep 0.5
  done
  say "Open Satchel runs at http://127.0.0.1:$port/"
  if [ "$demo" = true ]; then say "Demo sign-ins (password market-bell): quillfeather teaches; ottoline.marsh, odile.marsh and 22 others study."
  else say "Make an instructor with: ./satchel account add SIGN-IN NAME [EMAIL]"; fi
}

stop_server() {
  local pid
  if pid=$(supervisor_pid); then kill "$pid" 2>/dev/null || true; fi
  rm -f "$state/supervisor.pid"
  if pid=$(app_pid); then
    kill "$pid"
    for _ in $(seq 1 60); do kill -0 "$pid" 2>/dev/null || break; sleep 0.5; done
    kill -0 "$pid" 2>/dev/null && kill -9 "$pid"
    say "Open Satchel is stopped."
  else
    say "Open Satchel was not running."
  fi
  rm -f "$state/app.pid"
  stop_pg
}

show_status() {
  local pid port
  if pid=$(app_pid); then
    port=$(cat "$state/app.port")
    if ! app_answers "$port" 2>/dev/null; then say "Open Satchel runs (process $pid), but http://127.0.0.1:$port/ does not answer; $state/log says more."
    elif ! app_answers "$port" /readyz 2>/dev/null; then say "Open Satchel runs at http://127.0.0.1:$port/ (process $pid), but is not ready: its database or its storage does not answer."
    else say "Open Satchel runs at http://127.0.0.1:$port/ (process $pid)."; fi
  else say "Open Satchel is not running."; fi
  choose_pg_data 2>/dev/null || true
  if find_postgres && pg_is_running; then say "Its PostgreSQL runs on 127.0.0.1:$(as_pg sed -n 4p "$pg_data/postmaster.pid"), data in $pg_data."; else say "Its PostgreSQL is not running."; fi
}

# Makes and resets accounts: the application's own jar, without a server.
run_account() {
  make_state
  need_java
  if [ ! -f "$web_jar" ] || is_stale web base formats core worker web; then need_maven; build_web; fi
  # Accounts are made where the application has them: in the database it was told to use, or in the one that start makes.
  if [ -z "${SATCHEL_DB_URL:-}" ]; then
    need_postgres
    start_pg
    make_database satchel
    export SATCHEL_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/satchel" SATCHEL_DB_USER=satchel SATCHEL_DB_PASSWORD="$pg_password"
  fi
  export SATCHEL_STORAGE="${SATCHEL_STORAGE:-$state/storage}" SATCHEL_DRIVES="${SATCHEL_DRIVES:-$state/drives}"
  export SATCHEL_ADDRESS="${SATCHEL_ADDRESS:-http://127.0.0.1:$(cat "$state/app.port" 2>/dev/null || echo 8080)}"
  export LC_ALL=C.UTF-8
  unset JAVA_TOOL_OPTIONS JDK_JAVA_OPTIONS _JAVA_OPTIONS
  exec "$java" -Xmx512m -Djava.awt.headless=true -XX:-UsePerfData -jar "$web_jar" account "$@"
}
