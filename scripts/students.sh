# Students who send large projects while the server is killed: a database and files of its own, which go with it; prints a table at the end.
. "$home/scripts/load.sh"

run_students() {
  local status=0
  [ -x /usr/bin/chromium-headless-shell ] || install_packages chromium-headless-shell
  command -v curl >/dev/null || install_packages curl
  export SATCHEL_HEAP=256m
  begin_load students 8191
  run_load Sendings "$state" || status=$?
  run_load Browsers "$state" || status=$?
  return "$status"
}
