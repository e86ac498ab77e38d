# What ./start and ./test both need: packages, a database of the project's own, a build.
# Sourced, never run. Every function may be called again and survives being cut short before.

# What is written here is for its owner alone: the database, passwords, logs.
umask 077
chmod 700 "$DATA"
. scripts/database.sh

say() { printf '%s\n' "$*"; }

fail() {
  printf '\nStopped: %s\nWhat to do: %s\n' "$1" "$2" >&2
  exit 1
}

need_node() {
  command -v node >/dev/null 2>&1 || fail 'Node.js is not installed.' 'Install Node.js 20.9 or newer, then run this again.'
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 9) ? 0 : 1)' ||
    fail "Node.js $(node --version) is too old." 'Install Node.js 20.9 or newer, then run this again.'
}

# install_debian COMMAND PACKAGE: installs a Debian package when the command is not there.
install_debian() {
  command -v "$1" >/dev/null 2>&1 && return 0
  command -v apt-get >/dev/null 2>&1 || fail "$2 is not installed." "Install $2 with this system's package manager, then run this again."
  local as_root=''
  [ "$(id -u)" = 0 ] || as_root='sudo'
  say "Installing $2 …"
  local log="$DATA/install-$2.log"
  # A maintainer script may try to start the system's own service; the project never uses it.
  if ! { $as_root apt-get update && $as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "$2"; } >"$log" 2>&1; then
    tail -n 5 "$log" >&2
    fail "installing $2 failed (the whole log is in $log)." "Check the network and run it again, or install $2 by hand."
  fi
}

# The packages of package-lock.json; again only when that file changed or an install was cut short.
install_packages() {
  local wanted
  wanted=$(sha256sum package-lock.json | cut -c1-64)
  [ -d node_modules ] && [ "$(cat node_modules/.installed-for 2>/dev/null)" = "$wanted" ] && return 0
  say 'Installing packages …'
  npm ci --no-audit --no-fund --loglevel=error >"$DATA/npm-ci.log" 2>&1 || {
    tail -n 5 "$DATA/npm-ci.log" >&2
    fail "npm ci failed (the whole log is in $DATA/npm-ci.log)." 'Check the network, then run this again.'
  }
  printf '%s' "$wanted" >node_modules/.installed-for
}

# free PORT HOST: whether nothing listens there.
free() {
  node -e 'const s = require("node:net").createServer().once("error", () => process.exit(1)).listen(+process.argv[1], process.argv[2], () => s.close())' "$1" "$2"
}

# alone NAME: false while another run holds that name; held until this one ends, whatever ends it.
alone() {
  exec 9>"$DATA/$1.lock"
  flock --nonblock 9
}

# Builds when a source is newer than the last whole build; one run at a time.
build() {
  exec 8>"$DATA/build.lock"
  flock --nonblock 8 || {
    say 'Waiting for the build of another run …'
    flock 8
  }
  build_if_older
  exec 8>&-
}

# beside_server SOURCE NAME FORMAT: a script of its own, beside the server.
beside_server() {
  npx esbuild "server/$1" --bundle --platform=node --format="$3" --minify --log-level=error \
    --outfile=".next/standalone/$2" >>"$DATA/build.log" 2>&1 ||
    fail "the build failed (the whole log is in $DATA/build.log)." 'Mend what it names, then run this again.'
}

build_if_older() {
  local stamp="$DATA/built"
  if [ -f "$stamp" ] && [ -f .next/standalone/server.js ] &&
    [ -z "$(find app ui core catalogue server workers public package-lock.json next.config.ts postcss.config.mjs -newer "$stamp" -type f -print -quit 2>/dev/null)" ]; then
    return 0
  fi
  say 'Building …'
  rm -f "$stamp"
  touch "$stamp.begun"
  NEXT_TELEMETRY_DISABLED=1 npx next build --webpack >"$DATA/build.log" 2>&1 || {
    tail -n 20 "$DATA/build.log" >&2
    fail "the build failed (the whole log is in $DATA/build.log)." 'Mend what it names, then run this again.'
  }
  beside_server bring-in-file.worker.ts bring-in-file.worker.cjs cjs
  # No request comes in but by the door, which stands before the server is begun.
  beside_server front-door.main.ts front-door.mjs esm
  grep -q front-door .next/standalone/server.js || sed -i "1i import './front-door.mjs'" .next/standalone/server.js
  mkdir -p .next/standalone/.next
  rm -rf .next/standalone/.next/static .next/standalone/public
  cp -R .next/static .next/standalone/.next/static
  [ -d public ] && cp -R public .next/standalone/public
  mv "$stamp.begun" "$stamp"
}
