# Every test, against a database of its own and a real browser.
. "$home/scripts/server.sh"
. "$home/scripts/cli.sh"

modules="base formats core cli worker web"

# The scripts of the pages, without a page: their modules say that they are, since nothing around them does.
test_scripts() {
  say "Testing the scripts of the pages."
  node --experimental-default-type=module --test "$home"/web/src/test/js/*.test.js >"$state/scripts-test.log" 2>&1 || { cat "$state/scripts-test.log" >&2; return 1; }
  grep -E '^# (tests|pass|fail) ' "$state/scripts-test.log"
}

# Of all lines of code, how many the tests ran through, where SATCHEL_COVERAGE is set: a figure to look at, not to reach. Listening takes its time.
tell_coverage() {
  local module csv
  [ -n "${SATCHEL_COVERAGE:-}" ] || return 0
  for module in base formats core web; do
    csv="$home/$module/target/site/jacoco/jacoco.csv"
    [ -r "$csv" ] && awk -F, -v module="$module" 'NR > 1 { missed += $(NF - 5); covered += $(NF - 4) } END { printf "Lines of %s run through by its tests: %d of %d (%.1f %%)\n", module, covered, covered + missed, 100 * covered / (covered + missed) }' "$csv"
  done
  return 0
}

# The tests of one module alone, or some of them: core, web HoldTest, formats "ReaderTest,TypeProbeTest".
some_tests() {
  local module=$1 names
  shift
  case " $modules " in *" $module "*) ;; *) die "There is no module “$module”. They are: $modules." ;; esac
  names=$(IFS=,; printf '%s' "$*")
  # Those of the modules below are not asked for, and need not be there.
  some=(-pl "$module" -am -Dsurefire.failIfNoSpecifiedTests=false "-Dtest=${names:-org/opensatchel/$module/**/*Test}")
}

run_tests() {
  local some=() only="" status=0 listening=-Djacoco.skip=true
  case "${1:-}" in ''|-*) some=("$@") ;; *) some_tests "$@"; only=$1 ;; esac
  [ -z "${SATCHEL_COVERAGE:-}" ] || listening=-Djacoco.skip=false
  make_state
  need_java; need_maven
  exec 8>"$state/test.lock"
  flock -n 8 || die "A test run is going on already."
  # Hand-outs are unpacked with what other people unpack with.
  command -v unzip >/dev/null && command -v 7z >/dev/null || install_packages unzip p7zip-full
  export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 LC_ALL=C.UTF-8
  # What is laid out otherwise is told now, not by the last module after all tests.
  [ -n "$only" ] || run_maven -q net.revelc.code.formatter:formatter-maven-plugin:validate || die "Lay the code out first: mvn formatter:format"
  case "$only" in
    ''|web) run_with_database || status=$? ;;
    *) run_maven verify "$listening" "${some[@]}" || status=$? ;;
  esac
  tell_coverage
  if [ "$status" != 0 ]; then say_error "Some tests failed."; return "$status"; fi
  if [ -z "$only" ]; then keep_web; keep_cli; say "All tests passed."; else say "The tests of $only passed."; fi
}

# Of those that run it has the options in $listening and $some.
run_with_database() {
  local was_running="" storage part ended=0
  need_postgres
  [ -x /usr/bin/chromium-headless-shell ] || install_packages chromium-headless-shell
  command -v node >/dev/null || install_packages nodejs
  choose_pg_data
  find_postgres && pg_is_running && was_running=1
  # The database outlives a run that is killed, and would hold the lock on.
  start_pg 8>&-
  # The tests run in two processes; each has a database of its own.
  for part in 1 2; do remake_database "satchel_test_$part"; done
  storage=$(mktemp -d "$state/test-storage.XXXXXX")
  export SATCHEL_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/satchel_test" SATCHEL_DB_USER=satchel SATCHEL_DB_PASSWORD="$pg_password" SATCHEL_STORAGE="$storage"
  test_scripts || ended=$?
  run_maven verify "$listening" "${some[@]}" || ended=$?
  rm -rf "$storage"
  for part in 1 2; do pg -d postgres -c "drop database if exists satchel_test_$part with (force)" || true; done
  [ -n "$was_running" ] || stop_pg
  return "$ended"
}
