# Sourced by start, test, bench and lucid: finds what is needed and builds what is missing or stale.
# Leaves the shell at the root of the checkout; $started is where the command was given.
set -euo pipefail
started=$PWD
cd "$(dirname "${BASH_SOURCE[0]}")/.."
ROOT=$PWD
BUILT="$ROOT/.build"
APP="$BUILT/app/server-1-app.jar"
STANDINS="$ROOT/standins/target/standins-1.jar"
EMPTY_DATABASE="$BUILT/app/empty.mv.db"
export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1
# Where Playwright for Java finds what drives a browser: the interface's libraries hold the same.
export PLAYWRIGHT_DRIVER_DIR="$BUILT/driver"

# A build lives for seconds: the best compiler would take more time than it saves.
export MAVEN_OPTS="${MAVEN_OPTS:--XX:TieredStopAtLevel=1 -XX:+UseSerialGC}"

say() { printf '%s\n' "$*" >&2; }

fail() {
  say "$*"
  exit 1
}

# from_start PATH: a path as the person meant it, who was somewhere else.
from_start() { [[ $1 = /* ]] && printf '%s' "$1" || printf '%s/%s' "$started" "$1"; }

# need COMMAND PACKAGE WHAT: is it there; as root on Debian it is installed, else the person is told.
need() {
  command -v "$1" >/dev/null 2>&1 && return
  [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1 \
    || fail "$3 is missing. Install it (on Debian: apt-get install $2) and try again."
  say "Installing $3 ..."
  apt-get -o DPkg::Lock::Timeout=900 update -qq >&2 || true
  DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=900 install -y -qq --no-install-recommends "$2" \
    >&2 </dev/null || fail "$3 could not be installed. Install it (on Debian: apt-get install $2) and try again."
}

# at_least NUMBER VERSION WHAT: whether what is there is new enough.
at_least() {
  local major=${2%%.*}
  [[ $major =~ ^[0-9]+$ ]] && [ "$major" -ge "$1" ] || fail "$3 $1 or later is needed; this machine has ${2:-none that runs}."
}

need_java() {
  need java openjdk-17-jdk-headless "Java 17 or later"
  at_least 17 "$(java -version 2>&1 | sed -n 's/.*version "\([^"]*\)".*/\1/p' | head -n 1)" "Java"
}

need_build_tools() {
  need javac openjdk-17-jdk-headless "A Java development kit, version 17 or later,"
  need mvn maven "Maven"
  need node nodejs "Node.js 20 or later"
  need npm npm "npm"
  at_least 20 "$(node --version | tr -d v)" "Node.js"
}

# newer STAMP PATH...: whether anything below the paths but tests changed since the stamp was made.
newer() {
  local stamp=$1
  shift
  [ ! -e "$stamp" ] || [ -n "$(find "$@" -newer "$stamp" -type f -not -path '*/target/*' -not -path '*/src/test/*' -not -path '*/node_modules/*' -not -path '*/dist/*' -not -name schema.d.ts -print -quit)" ]
}

# step TEXT COMMAND...: says what is being done and how long it took; what the command prints goes to the build's log.
step() {
  local text=$1 began=$SECONDS
  shift
  printf '%s ... ' "$text" >&2
  if "$@" >>"$BUILT/build.log" 2>&1 </dev/null; then
    say "$((SECONDS - began)) s"
  else
    say "failed"
    grep -m 3 -E 'ERROR|error' "$BUILT/build.log" >&2 || tail -n 3 "$BUILT/build.log" >&2
    fail "It could not be built; $BUILT/build.log has all of it."
  fi
}

compile_java() {
  mvn -q -B -Dmaven.test.skip=true -pl core,server,standins package && rm -rf "$BUILT/app" \
    && java -Djarmode=tools -jar server/target/server-1-app.jar extract --destination "$BUILT/app"
}

# One run describes the API for the interface's client, makes the database that others begin with, and trains the class archive
# that makes later starts quick.
train() {
  local data status=0
  data=$(mktemp -d)
  java -XX:TieredStopAtLevel=1 -XX:ArchiveClassesAtExit="$BUILT/app/app.jsa" -Xlog:cds=off -Xlog:cds+dynamic=off -jar "$APP" --server.port=0 \
    --lucid.data="$data" --lucid.describe="$BUILT/openapi.next" && mv "$data/lucid-sweep.mv.db" "$EMPTY_DATABASE" || status=$?
  rm -rf "$data"
  # The interface is built anew only where the API is another one.
  [ "$status" != 0 ] || cmp -s "$BUILT/openapi.next" "$BUILT/openapi.json" || cp "$BUILT/openapi.next" "$BUILT/openapi.json"
  return $status
}

install_libraries() { (cd web && npm ci --silent --no-progress) && touch web/node_modules/.package-lock.json; }

# Begins to fetch the interface's libraries where they are missing or stale; $fetching is who does. The network is waited for
# while the application is built.
fetching=
fetch_libraries() {
  [ -z "$fetching" ] && { [ ! -e web/node_modules/.package-lock.json ] || [ web/package-lock.json -nt web/node_modules/.package-lock.json ]; } || return 0
  need_build_tools
  mkdir -p "$BUILT" 2>/dev/null || fail "$BUILT may not be written to; Lucid Sweep builds itself there."
  install_libraries >"$BUILT/libraries.log" 2>&1 </dev/null &
  fetching=$!
}

# What was printed meanwhile goes to the build's log.
await_libraries() {
  local status=0
  wait "$fetching" || status=$?
  cat "$BUILT/libraries.log"
  return $status
}

compile_web() { (cd web && npm run --silent build); }

build_java() {
  need_java
  newer "$BUILT/java.stamp" pom.xml core server standins || return 0
  need_build_tools
  mkdir -p "$BUILT" 2>/dev/null || fail "$BUILT may not be written to; Lucid Sweep builds itself there."
  : >"$BUILT/build.log"
  touch "$BUILT/java.next"
  step "Building the application (1 of 4, about a minute)" compile_java
  step "Preparing quick starts (2 of 4)" train
  mv "$BUILT/java.next" "$BUILT/java.stamp"
}

build_web() {
  fetch_libraries
  build_java
  mkdir -p "$PLAYWRIGHT_DRIVER_DIR" 2>/dev/null || true
  ln -sfn "$ROOT/web/node_modules/playwright-core" "$PLAYWRIGHT_DRIVER_DIR/package" 2>/dev/null || true
  if [ -n "$fetching" ]; then step "Fetching the interface's libraries (3 of 4)" await_libraries; fi
  newer "$BUILT/web.stamp" web "$BUILT/openapi.json" || return 0
  need_build_tools
  touch "$BUILT/web.next"
  step "Building the interface (4 of 4)" compile_web
  mv "$BUILT/web.next" "$BUILT/web.stamp"
}

# On a machine of few cores the collector and the best compiler take their time from the work itself: the collector that
# does it all at once costs least, and only what runs often is worth the best compiler. Tables of items live long: where the
# young take a third of 1 GiB, as is usual, 500,000 items leave the old too little; less than this slows what is written in bulk.
# Each start loads classes beyond the usual first limit of their memory, which would collect everything three times over.
TUNING=(-XX:+UseParallelGC -XX:MaxNewSize=204m -XX:MetaspaceSize=160m -Dh2.objectCache=false -XX:Tier4InvocationThreshold=40000 -XX:Tier4MinInvocationThreshold=5000
  -XX:Tier4CompileThreshold=120000 -XX:Tier4BackEdgeThreshold=300000
  -XX:MaxInlineLevel=9 -XX:FreqInlineSize=150 -XX:InlineSmallCode=1200)
JAVA_FLAGS=("${TUNING[@]}" -XX:SharedArchiveFile="$BUILT/app/app.jsa" -Xshare:auto -Xlog:cds=off -Xlog:cds+dynamic=off
  -Dlucid.empty-database="$EMPTY_DATABASE" -Djava.awt.headless=true -XX:+ExitOnOutOfMemoryError)
