# Shared by all commands: what is said, which Java is used, what has to be installed, when a build is due.

say() { printf '%s\n' "$*"; }
say_error() { printf 'satchel: %s\n' "$*" >&2; }
die() { say_error "$*"; exit 2; }

usage() {
  cat <<'TEXT'
./satchel start [--port N] [--no-demo] [--foreground]
                                            install what is missing, start the database, build, load the demo, serve
./satchel stop                              stop the application and its database
./satchel status                            say what runs, and where
./satchel account add SIGN-IN NAME [EMAIL] | reset SIGN-IN | list
                                            make an instructor, give a new link for a password, list everybody
./satchel test                              run every test, with the browser
./satchel test MODULE [NAME…]               run those of one module, or some of them: core, web HoldTest
./satchel bench [STUDENTS [MIB]]            measure speed and memory against baselines
./satchel soak [MINUTES]                    a school of its own under load and failures, for 30 minutes
./satchel growth                            what takes how long when the database has grown for years
./satchel students                          students who send large projects, from a program and from a browser, while the server is killed
./satchel check PROJECT… [--kit FILE] [--for last=…,first=…] [--location PATH]
                [--documents DIR|ZIP] [--machine NAME|FILE] [--profile P.profile.json]
                [--format text|json|sarif] [--why] [--quiet]
                                            check folders, ZIP archives or listings
./satchel kit lint|handout|diff|propose …   check a kit before it goes out, make one student's kit, compare two
                                            kits, propose one from an example
./satchel profile learn EXAMPLE… [--files GLOB] [--location PATH] -o P.profile.json
                  test P.profile.json PROJECT… | explain P.profile.json
                                            learn from a project that works where a program's documents keep their links
./satchel name test PATTERN NAME [--for …]  try a name against a pattern
./satchel formats                           list the documents whose links are read
./satchel explain [CODE]                    what a finding means and how it is fixed; without CODE, list all
./satchel help [check|kit|profile|name|formats|explain]
                                            this page, or all options of a command
TEXT
}

# Java 17 or later: JAVA_HOME, then the one on the path, then whatever is installed.
# The version stands in a file beside it, which is read in no time; starting Java to ask takes half a second.
java_version() {
  local release
  release="$(dirname "$(dirname "$(readlink -f "$1")")")/release"
  if [ -r "$release" ]; then sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$release"; else "$1" -version 2>&1 | sed -n 's/.*version "\([0-9]*\).*/\1/p' | head -1; fi
}

find_java() {
  local candidate
  for candidate in "${JAVA_HOME:-/nonexistent}/bin/java" /usr/lib/jvm/java-17-openjdk-*/bin/java "$(command -v java || true)" /usr/lib/jvm/*/bin/java; do
    [ -x "$candidate" ] || continue
    [ -x "$(dirname "$(readlink -f "$candidate")")/javac" ] || continue
    if [ "$(java_version "$candidate")" -ge 17 ] 2>/dev/null; then
      java=$(readlink -f "$candidate")
      return 0
    fi
  done
  return 1
}

find_postgres() {
  local bin
  pg_bin=""
  for bin in /usr/lib/postgresql/*/bin; do
    [ -x "$bin/initdb" ] && [ "$(basename "$(dirname "$bin")")" -ge 15 ] 2>/dev/null && pg_bin=$bin
  done
  [ -n "$pg_bin" ]
}

# Installs Debian packages, or prints the exact command when there is no right to.
install_packages() {
  local command="apt-get install -y --no-install-recommends $*" as=""
  if [ "$(id -u)" != 0 ]; then
    if sudo -n true 2>/dev/null; then as="sudo -n"; else
      die "These packages are missing: $*. Install them with: sudo apt-get update && sudo $command"
    fi
  fi
  command -v apt-get >/dev/null || die "These packages are missing, and this is no Debian system: $*"
  say "Installing $*"
  $as apt-get update -q >"$state/install.log" 2>&1 || true
  if ! $as env DEBIAN_FRONTEND=noninteractive $command >>"$state/install.log" 2>&1; then
    die "Installing failed; $state/install.log says why. The command was: $command"
  fi
}

# The packager would make and start a cluster of its own; it is told not to, and only while we install.
install_postgres() {
  local conf=/etc/postgresql-common/createcluster.conf as="" backup=""
  [ "$(id -u)" = 0 ] || as="sudo -n"
  install_packages postgresql-common
  if [ -f "$conf" ]; then
    backup=$(mktemp)
    cp "$conf" "$backup"
    $as sed -i 's/^#\{0,1\} *create_main_cluster.*/create_main_cluster = false/' "$conf"
    grep -q '^create_main_cluster = false' "$conf" || printf 'create_main_cluster = false\n' | $as tee -a "$conf" >/dev/null
  fi
  install_packages postgresql
  if [ -n "$backup" ]; then $as cp "$backup" "$conf"; rm -f "$backup"; fi
}

need_java() {
  find_java && return 0
  if apt-cache show openjdk-17-jdk-headless >/dev/null 2>&1 || { [ "$(id -u)" = 0 ] && apt-get update -q >/dev/null 2>&1 && apt-cache show openjdk-17-jdk-headless >/dev/null 2>&1; }; then
    install_packages openjdk-17-jdk-headless
  else
    install_packages default-jdk-headless
  fi
  find_java || die "Java was installed but cannot be found under /usr/lib/jvm."
}

need_maven() {
  command -v mvn >/dev/null || install_packages maven
}

need_postgres() {
  find_postgres && return 0
  install_postgres
  find_postgres || die "PostgreSQL was installed but its server is not under /usr/lib/postgresql."
}

make_state() {
  mkdir -p "$state" 2>/dev/null || die "$state cannot be made: this folder is not yours to write in."
  local free
  free=$(df -Pk "$state" | awk 'NR==2 {print $4}')
  [ "${free:-0}" -ge 512000 ] || die "There is too little room on the disk of $state: $((${free:-0} / 1024)) MiB are free, 500 are needed."
}

run_maven() {
  JAVA_HOME=$(dirname "$(dirname "$java")") mvn -B -f "$home/pom.xml" "$@"
}

# Whether a part was never built, or some source of the modules named is newer than its last build.
is_stale() {
  local stamp="$state/built-$1" module
  shift
  [ -f "$stamp" ] || return 0
  for module in "$@"; do
    [ -z "$(find "$home/$module/src/main" "$home/$module/pom.xml" "$home/pom.xml" -newer "$stamp" -type f -print -quit 2>/dev/null)" ] || return 0
  done
  return 1
}

built() { touch "$state/built-$1"; }
