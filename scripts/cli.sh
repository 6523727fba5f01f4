# The command line: built on first use, then started from a class-data archive.

# What runs is a copy, so that a build does not take the files from under a check.
cli_jars="$state/cli"

keep_cli() {
  rm -rf "$cli_jars.new" "$cli_jars.old"
  mkdir -p "$cli_jars.new"
  cp "$home/cli/target/satchel-cli-0.1.0.jar" "$home"/cli/target/lib/*.jar "$cli_jars.new"
  [ ! -d "$cli_jars" ] || mv "$cli_jars" "$cli_jars.old"
  mv "$cli_jars.new" "$cli_jars"
  rm -rf "$cli_jars.old" "$state"/cli-*.jsa
  built cli
}

run_cli() {
  local archive classpath flags
  if [ ! -d "$cli_jars" ] || is_stale cli core cli; then build_cli >&2; fi
  find_java || die "There is no Java 17 or later on this computer."
  classpath=$(printf '%s:' "$cli_jars"/*.jar)
  classpath=${classpath%:}
  archive="$state/cli-$(java_version "$java").jsa"
  flags=(-Xmx512m -XX:+UseSerialGC -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -Dfile.encoding=UTF-8)
  export LC_ALL=C.UTF-8
  unset JAVA_TOOL_OPTIONS JDK_JAVA_OPTIONS _JAVA_OPTIONS
  if [ ! -f "$archive" ] && [ -w "$state" ]; then
    local warm="$state/warm"
    mkdir -p "$warm" && printf '{"OTIO_SCHEMA":"Timeline.1"}' >"$warm/a.otio" && printf '<svg xmlns="http://www.w3.org/2000/svg"/>' >"$warm/a.svg"
    printf '<img src="a.svg">' >"$warm/a.html" && printf 'not a picture' >"$warm/a.png" && printf 'mtllib a.mtl\n' >"$warm/a.obj"
    "$java" "${flags[@]}" -XX:ArchiveClassesAtExit="$archive" -cp "$classpath" org.opensatchel.cli.Satchel check "$warm" --format json >/dev/null 2>&1 || true
    rm -rf "$warm"
  fi
  [ -f "$archive" ] && flags+=("-XX:SharedArchiveFile=$archive" -Xshare:auto -Xlog:disable -Xlog:all=off)
  exec "$java" "${flags[@]}" -cp "$classpath" org.opensatchel.cli.Satchel "$@"
}

build_cli() {
  make_state
  need_java
  need_maven
  (
    flock 9
    if [ ! -d "$cli_jars" ] || is_stale cli core cli; then
      say "Building the command line, once…"
      rm -rf "$home/cli/target/lib"
      run_maven -q -pl cli -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
      keep_cli
    fi
  ) 9>"$state/build.lock"
}
