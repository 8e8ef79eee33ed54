# Sourced by start, test, bench and lucid: finds what is needed and builds what is missing or stale.
# Leaves the shell at the root; $started is where the command was given.
set -euo pipefail
started=$PWD
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1
BUILT="$PWD/.build"
# Where Playwright for Java finds what drives a browser: the interface's libraries hold the same.
export PLAYWRIGHT_DRIVER_DIR="$BUILT/driver"
APP="$BUILT/app/server-1-app.jar"
STANDINS="$PWD/standins/target/standins-1.jar"

say() { printf '%s\n' "$*" >&2; }

# need COMMAND PACKAGE WHAT: is it there; as root on Debian it is installed, else the person is told.
need() {
  command -v "$1" >/dev/null 2>&1 && return
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
    say "Installing $3 ..."
    apt-get -o DPkg::Lock::Timeout=900 update -qq >&2 || true
    DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=900 install -y -qq --no-install-recommends "$2" >&2 </dev/null
  else
    say "$3 is missing. Install it (on Debian: apt-get install $2) and try again."
    exit 1
  fi
}

need_tools() {
  need javac openjdk-17-jdk-headless "A Java development kit, version 17 or later,"
  need mvn maven "Maven"
  need node nodejs "Node.js, version 20 or later,"
  need npm npm "npm"
}

# newer STAMP PATH...: whether anything below the paths changed since the stamp was made.
newer() {
  local stamp=$1
  shift
  [ ! -e "$stamp" ] || [ -n "$(find "$@" -newer "$stamp" -type f -not -path '*/target/*' -not -path '*/node_modules/*' -not -path '*/dist/*' -not -name schema.d.ts -print -quit)" ]
}

build_java() {
  newer "$BUILT/java.stamp" pom.xml core server standins || return 0
  need_tools
  say "Building the application ..."
  mkdir -p "$BUILT"
  touch "$BUILT/java.next"
  mvn -q -B -DskipTests -pl core,server,standins package >&2 </dev/null
  rm -rf "$BUILT/app"
  java -Djarmode=tools -jar server/target/server-1-app.jar extract --destination "$BUILT/app" >&2
  # One run describes the API for the interface's client and trains the class archive that makes later starts quick.
  local data
  data=$(mktemp -d)
  java -XX:ArchiveClassesAtExit="$BUILT/app/app.jsa" -Xlog:cds=off -Xlog:cds+dynamic=off -jar "$APP" --server.port=0 \
    --lucid.data="$data" --lucid.describe="$BUILT/openapi.json" --springdoc.api-docs.enabled=true >&2 </dev/null
  rm -rf "$data"
  mv "$BUILT/java.next" "$BUILT/java.stamp"
}

build_web() {
  build_java
  if [ ! -e web/node_modules/.package-lock.json ] || [ web/package-lock.json -nt web/node_modules/.package-lock.json ]; then
    need_tools
    say "Installing the interface's libraries ..."
    (cd web && npm ci --silent --no-progress >&2 </dev/null)
    touch web/node_modules/.package-lock.json
  fi
  mkdir -p "$PLAYWRIGHT_DRIVER_DIR"
  ln -sfn "$PWD/web/node_modules/playwright-core" "$PLAYWRIGHT_DRIVER_DIR/package"
  newer "$BUILT/web.stamp" web "$BUILT/openapi.json" || return 0
  need_tools
  say "Building the interface ..."
  touch "$BUILT/web.next"
  (cd web && npm run --silent build >&2 </dev/null)
  mv "$BUILT/web.next" "$BUILT/web.stamp"
}

# On a machine of few cores the collector and the best compiler take their time from the work itself: the collector that
# does it all at once costs least, and only what runs often is worth the best compiler.
TUNING=(-XX:+UseParallelGC -Dh2.objectCache=false -XX:Tier4InvocationThreshold=40000 -XX:Tier4MinInvocationThreshold=5000
  -XX:Tier4CompileThreshold=120000 -XX:Tier4BackEdgeThreshold=300000
  -XX:MaxInlineLevel=9 -XX:FreqInlineSize=150 -XX:InlineSmallCode=1200)
JAVA_FLAGS=("${TUNING[@]}" -XX:SharedArchiveFile="$BUILT/app/app.jsa" -Xshare:auto -Xlog:cds=off -Xlog:cds+dynamic=off
  -Djava.awt.headless=true)
