# Every test, against a database of its own and a real browser.
. "$home/scripts/server.sh"
. "$home/scripts/cli.sh"

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

run_tests() {
  make_state
  need_java; need_maven; need_postgres
  [ -x /usr/bin/chromium ] || install_packages chromium
  # Hand-outs are unpacked with what other people unpack with.
  command -v unzip >/dev/null && command -v 7z >/dev/null || install_packages unzip p7zip-full
  command -v node >/dev/null || install_packages nodejs
  exec 8>"$state/test.lock"
  flock -n 8 || die "A test run is going on already."
  choose_pg_data
  local was_running="" status=0 storage part listening=-Djacoco.skip=true
  [ -z "${SATCHEL_COVERAGE:-}" ] || listening=-Djacoco.skip=false
  find_postgres && pg_is_running && was_running=1
  # The database outlives a run that is killed, and would hold the lock on.
  start_pg 8>&-
  # The tests run in two processes; each has a database of its own.
  for part in 1 2; do remake_database "satchel_test_$part"; done
  storage=$(mktemp -d "$state/test-storage.XXXXXX")
  export SATCHEL_DB_URL="jdbc:postgresql://127.0.0.1:$pg_port/satchel_test" SATCHEL_DB_USER=satchel SATCHEL_DB_PASSWORD="$pg_password" SATCHEL_STORAGE="$storage"
  export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 LC_ALL=C.UTF-8
  test_scripts || status=$?
  run_maven verify "$listening" "$@" || status=$?
  rm -rf "$storage"
  for part in 1 2; do pg -d postgres -c "drop database if exists satchel_test_$part with (force)" || true; done
  [ -n "$was_running" ] || stop_pg
  tell_coverage
  if [ "$status" = 0 ]; then keep_web; keep_cli; say "All tests passed."; else say_error "Some tests failed."; fi
  return "$status"
}
