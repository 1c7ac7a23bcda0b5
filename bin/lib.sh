# Shared by bin/demo and bin/test: brings a bare Debian machine to where the project can run.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1
export PHP_INI_SCAN_DIR=${PHP_INI_SCAN_DIR-}:$PWD/bin/php.d

say() { printf '%s\n' "$*" >&2; }
stop() { say "$*"; exit 1; }

# Runs something whose words matter only when it fails.
quietly() {
  local log; log=$(mktemp)
  "$@" >"$log" 2>&1 || { cat "$log" >&2; rm -f "$log"; stop "failed: $*"; }
  rm -f "$log"
}

as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }

# Installs the Debian packages that are missing, and only those.
packages() {
  local missing=()
  for one in "$@"; do dpkg-query -W -f '${Status}' "$one" 2>/dev/null | grep -q 'ok installed' || missing+=("$one"); done
  [ ${#missing[@]} -eq 0 ] && return 0
  say "Installing from Debian: ${missing[*]}"
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# A change of these files means that what was installed or built from them is old.
stale() { # stamp, inputs…
  local stamp=$1; shift
  [ -e "$stamp" ] || return 0
  [ -n "$(find "$@" -newer "$stamp" -print -quit 2>/dev/null)" ]
}

node_is_new_enough() {
  local node; node=$(node -p 'process.versions.node')
  if [ "$(printf '%s\n20.19.0\n' "$node" | sort -V | head -n1)" != 20.19.0 ]; then
    stop "Node.js $node is too old: 20.19 or later is needed. Please install a newer Node.js and start again."
  fi
}

prepare() {
  packages php8.2-cli php8.2-sqlite3 php8.2-mbstring php8.2-xml php8.2-curl php8.2-zip php8.2-gd php8.2-bcmath php8.2-intl \
    composer unzip ca-certificates
  command -v node >/dev/null || packages nodejs npm
  node_is_new_enough
  if [ ! -e vendor/autoload.php ] || stale vendor/.stamp composer.json composer.pins; then
    say 'Installing PHP packages'
    # two installations have the same packages: composer.pins names them all
    mapfile -t with < <(bin/pins with)
    composer update --no-progress --quiet "${with[@]}"
    touch vendor/.stamp
  fi
  if [ ! -d node_modules ] || stale node_modules/.stamp package.json package-lock.json; then
    say 'Installing Node packages'
    npm ci --no-fund --no-audit --loglevel=error >&2
    touch node_modules/.stamp
  fi
  if [ ! -e .env ]; then cp .env.example .env; fi
  chmod -R go= .env storage
  grep -q '^APP_KEY=base64' .env || php artisan key:generate --force --quiet
  if [ ! -e public/build/manifest.json ] || stale public/build/manifest.json resources vite.config.ts package-lock.json; then
    say 'Building the pages'
    quietly npm run --silent figure
    quietly npm run --silent build
    touch public/build/manifest.json
  fi
}

# Something already listens there.
taken() { php -r '$s = @stream_socket_server("tcp://".$argv[1].":".$argv[2]); exit($s === false ? 0 : 1);' "$1" "$2"; }

# PHP's own server with Laravel's router: `artisan serve` hops to another port in silence and forgets its workers. Settings and routes are
# read once, at its start, instead of on every request; commands read them anew.
php_server() { # host port [router]
  local kept=$PWD/storage/framework/served/$2
  local keeps=("APP_CONFIG_CACHE=$kept/config.php" "APP_ROUTES_CACHE=$kept/routes.php" "APP_EVENTS_CACHE=$kept/events.php")
  (umask 077; mkdir -p "$kept"; rm -f "$kept"/*; env "${keeps[@]}" php artisan optimize --except=views --quiet)
  cd public
  exec env "${keeps[@]}" PHP_CLI_SERVER_WORKERS=${PHP_CLI_SERVER_WORKERS:-4} php -d opcache.enable_cli=1 \
    -d upload_max_filesize=6M -d post_max_size=8M -d memory_limit=512M -d zend.exception_ignore_args=1 \
    -S "$1:$2" "../${3:-vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php}"
}

# The server, a worker for the mail and what is due by the clock in a session of their own, which ends with this script however it is
# ended: the server by itself leaves its workers behind.
serve_until_stopped() { # host port
  export -f php_server
  setsid bash -c 'php artisan queue:work --sleep=3 --tries=5 --quiet & php artisan schedule:work --quiet & php_server "$@"' server "$1" "$2" >/dev/null 2>&1 &
  local session=$!
  trap 'kill -TERM -- "-$session" 2>/dev/null; sleep 0.3; kill -KILL -- "-$session" 2>/dev/null' EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  wait "$session"
}
