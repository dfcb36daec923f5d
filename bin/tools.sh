# Shared by ./choir and ./check: finding the tools, saying what to install, building, caches for a quick start.

needed_java=25

say() { printf 'choir: %s\n' "$*" >&2; }

# The major version of a JDK, from its release file: asking the program itself takes longer than many a command.
java_version() { sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$1/release" 2>/dev/null; }

# The first JDK that is new enough: JAVA_HOME, then those under /usr/lib/jvm.
find_jdk() {
  local home
  for home in "${JAVA_HOME:-}" /usr/lib/jvm/*; do
    [ -n "$home" ] && [ -x "$home/bin/javac" ] || continue
    if [ "$(java_version "$home")" -ge "$needed_java" ] 2>/dev/null; then
      printf '%s\n' "$home"
      return 0
    fi
  done
  say "a JDK of version $needed_java or newer is needed; install one (Debian: apt-get install temurin-25-jdk or openjdk-25-jdk) or set JAVA_HOME"
  return 1
}

find_java() { local home; home=$(find_jdk) && printf '%s\n' "$home/bin/java"; }

require() {
  command -v "$1" >/dev/null && return 0
  say "$1 is needed; install it (Debian: apt-get install $2)"
  return 1
}

require_build_tools() {
  require mvn maven && require node nodejs && require npm npm || return 1
  local major
  major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$major" -ge 20 ] || { say "Node 20 or newer is needed to build the console, not $(node -v)"; return 1; }
}

# True when a source is newer than what was built from it.
is_stale() {
  local stamp="$1/.choir/built"
  [ -f "$stamp" ] || return 0
  [ -n "$(find "$1"/{core,onvif,sim,footage,issuer,server,cli,console}/{src,pom.xml} "$1/console/"{package-lock.json,documents.plugin.ts,vite.config.ts} "$1/docs" -newer "$stamp" \
    -not -path '*/node_modules/*' -not -path '*/api/schema.d.ts' -not -path '*/docs/decisions/*' -not -path '*/docs/screenshots/*' -print -quit 2>/dev/null)" ]
}

build() {
  require_build_tools || exit 1
  JAVA_HOME=$(find_jdk) || exit 1
  export JAVA_HOME
  say "building (the first time takes some minutes) ..."
  mkdir -p "$1/.choir"
  if ! (cd "$1" && mvn -B -q install -DskipTests -Dspotless.check.skip -pl server,cli,sim,issuer -am) >"$1/.choir/build.log" 2>&1; then
    grep -m 5 ERROR "$1/.choir/build.log" >&2
    say "the build failed; all of it is in .choir/build.log"
    exit 1
  fi
  finish_build "$1"
}

# Lays the service out for a quick start and trains the caches of both programs. A cache only saves time: without it,
# or with one that does not fit, everything works all the same.
finish_build() {
  local root=$1 java scratch
  java=$(find_java) || exit 1
  rm -rf "$root/server/target/app" "$root/cli/target/"*.aot
  "$java" -Djarmode=tools -jar "$root/server/target/server-0.1.0-app.jar" extract --destination "$root/server/target/app" >/dev/null
  # A cache knows its jar by size and time, and jars that are built to be the same have the same time.
  touch "$root/server/target/app/"*.jar "$root/cli/target/"*.jar
  scratch=$(mktemp -d)
  # What is learnt of the methods while they are interpreted would set the optimising compiler to work at every start, beside
  # the start itself: trained without that compiler, the service is up a quarter sooner, and runs with it afterwards.
  "$java" -XX:AOTCacheOutput="$root/server/target/app/server-0.1.0-app.jar.aot" -XX:TieredStopAtLevel=1 -Xmx1g -XX:+UseSerialGC \
    -Djdk.virtualThreadScheduler.parallelism=8 --enable-native-access=ALL-UNNAMED \
    -Dspring.aot.enabled=true -Dspring.context.exit=onRefresh \
    -jar "$root/server/target/app/server-0.1.0-app.jar" --choir.data="$scratch" >/dev/null 2>&1 || true
  train_client "$root" "$java" "$scratch"
  rm -rf "$scratch"
  mkdir -p "$root/.choir"
  touch "$root/.choir/built"
}

# Lets the client ask a file server of the JDK for templates, so that its cache knows the whole way of a command.
train_client() {
  local cli="$1/cli/target/cli-0.1.0.jar" web url
  mkdir -p "$3/api/v1"
  printf '[{"name":"house","title":"House","revision":1,"usedAt":["fleet"],"author":"ada","at":"2026-01-01T00:00:00Z"}]' \
    >"$3/api/v1/templates"
  # It is read before the server has said anything, or even begun.
  : >"$3/web.log"
  "$(dirname "$2")/jwebserver" -b 127.0.0.1 -p 0 -d "$3" -o none >"$3/web.log" 2>&1 &
  web=$!
  for _ in $(seq 50); do
    url=$(sed -n 's/^URL \(http[^ ]*\)\/$/\1/p' "$3/web.log")
    [ -n "$url" ] && break
    sleep 0.1
  done
  CHOIR_URL=${url:-http://127.0.0.1:1} CHOIR_TOKEN=training "$2" -XX:AOTCacheOutput="$cli.aot" -XX:TieredStopAtLevel=1 \
    -XX:+UseSerialGC -jar "$cli" template list >/dev/null 2>&1 || true
  kill "$web" 2>/dev/null
  wait "$web" 2>/dev/null || true
}

aot_flags() {
  # What does not fit is passed over in silence; real errors still go to standard error.
  [ "$1.aot" -nt "$1" ] && printf '%s\n' "-XX:AOTCache=$1.aot" -Xlog:disable -Xlog:all=error:stderr
  return 0
}
