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
  if [ ! -d "$cli_jars" ] || is_stale cli base formats core cli; then build_cli >&2; fi
  find_java || die "There is no Java 17 or later on this computer."
  classpath=$(printf '%s:' "$cli_jars"/*.jar)
  classpath=${classpath%:}
  archive="$state/cli-$(java_version "$java").jsa"
  flags=(-Xmx512m -XX:+UseSerialGC -XX:-UsePerfData "-Djava.io.tmpdir=${TMPDIR:-/tmp}" -Dfile.encoding=UTF-8)
  export LC_ALL=C.UTF-8
  unset JAVA_TOOL_OPTIONS JDK_JAVA_OPTIONS _JAVA_OPTIONS
  if [ ! -f "$archive" ] && [ -w "$state" ]; then keep_classes "$archive" "$classpath" "${flags[@]}"; fi
  [ -f "$archive" ] && flags+=("-XX:SharedArchiveFile=$archive" -Xshare:auto -Xlog:disable -Xlog:all=off)
  # Making code fast costs more than it saves where there is little to do.
  if is_little "$@"; then flags+=(-XX:TieredStopAtLevel=1); fi
  exec "$java" "${flags[@]}" -cp "$classpath" org.opensatchel.cli.Satchel "$@"
}

# Keeps the classes that a check needs in a form that is only mapped into memory: those that a small project of every kind asks for.
keep_classes() {
  local archive=$1 classpath=$2 warm="$state/warm" list
  shift 2
  list="$archive.$$"
  rm -rf "$warm"
  mkdir -p "$warm"
  printf '{"OTIO_SCHEMA":"Timeline.1","tracks":[{"OTIO_SCHEMA":"ExternalReference.1","target_url":"gone.mov"}]}' >"$warm/a.otio"
  printf '{"asset":{"version":"2.0"},"images":[{"uri":"b.png"}]}' >"$warm/a.gltf"
  printf '<svg xmlns="http://www.w3.org/2000/svg"><image href="F:/x/a.png"/></svg>' >"$warm/a.svg"
  printf '<img src="a.svg"><img src="B.png">' >"$warm/a.html"
  printf 'not a picture' >"$warm/a.png"
  printf 'not a picture either' >"$warm/b.png"
  printf 'mtllib a.mtl\n' >"$warm/a.obj"
  if "$java" "$@" -Xshare:off "-XX:DumpLoadedClassList=$list.classes" -cp "$classpath" org.opensatchel.cli.Satchel check "$warm" --format json >/dev/null 2>&1; then :; fi
  if "$java" "$@" -Xshare:dump "-XX:SharedClassListFile=$list.classes" "-XX:SharedArchiveFile=$list" -cp "$classpath" >/dev/null 2>&1; then
    mv "$list" "$archive"
  fi
  rm -rf "$warm" "$list" "$list.classes"
}

# Whether what is to be checked is done before the compiler that makes the fastest code has earned its keep: nearly always, since what takes long
# is reading, unpacking and hashing, and those are fast by themselves.
is_little() {
  local what
  for what in "$@"; do
    if [ -d "$what" ]; then
      find -H "$what" -type f -printf '%s\n' 2>/dev/null | awk '{ sum += $1 } NR > 20000 || sum > 4000000000 { exit 1 }' || return 1
    elif [ -f "$what" ] && [ "$(stat -L -c %s "$what")" -gt 4000000000 ]; then
      return 1
    fi
  done
}

build_cli() {
  make_state
  need_java
  need_maven
  (
    flock 9
    if [ ! -d "$cli_jars" ] || is_stale cli base formats core cli; then
      say "Building the command line, once…"
      rm -rf "$home/cli/target/lib"
      run_maven -q -pl cli -am -DskipTests package >"$state/build.log" 2>&1 || { tail -20 "$state/build.log" >&2; die "The build failed; $state/build.log has all of it."; }
      keep_cli
    fi
  ) 9>"$state/build.lock"
}
