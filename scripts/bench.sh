# Speed and memory, as ratios against a baseline in the same run. The application has to run for the bench of saving.
. "$home/scripts/server.sh"

run_bench() {
  make_state
  need_java; need_maven
  say "Building the bench…"
  run_maven -q -pl bench -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
  local classpath="$home/bench/target/satchel-bench-0.1.0.jar:$(printf '%s:' "$home"/bench/target/lib/*.jar)"
  "$java" -Xmx256m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.HandoutBench "$@"
  command -v unzip >/dev/null || install_packages unzip
  "$java" -Xmx1g -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -cp "$classpath" org.opensatchel.bench.ArchiveBench "$home/satchel"
  "$java" -Xmx1g -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -cp "$classpath" org.opensatchel.bench.MediaBench
  "$java" -Xmx256m -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -cp "$classpath" org.opensatchel.bench.FolderBench "$home/satchel"
  "$java" -Xmx256m -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -cp "$classpath" org.opensatchel.bench.InsideBench
  "$java" -Xmx300m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.ProfileBench
  if app_pid >/dev/null; then
    "$java" -Xmx256m -XX:-UsePerfData -cp "$classpath" org.opensatchel.bench.SaveBench "http://127.0.0.1:$(cat "$state/app.port")"
    review_bench "$classpath"
  else
    say "save: not measured, since the application does not run (./satchel start)."
  fi
}

# A large class is laid beside the demo, measured, and taken away again.
review_bench() {
  need_postgres
  start_pg
  pg -d satchel -f "$home/bench/src/main/sql/large-class-gone.sql"
  pg -d satchel -f "$home/bench/src/main/sql/large-class.sql"
  local class; class=$(pg -d satchel -c "select a.id from assignment a join course c on c.id = a.course_id where c.code = 'BENCH 200'")
  "$java" -Xmx256m -XX:-UsePerfData -cp "$1" org.opensatchel.bench.ReviewBench "http://127.0.0.1:$(cat "$state/app.port")" "$class" "$home/satchel"
  pg -d satchel -f "$home/bench/src/main/sql/large-class-gone.sql"
}
