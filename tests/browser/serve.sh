#!/usr/bin/env bash
# A server for the browser tests with its own database and the demo story in it.
. "$(dirname "$0")/../../bin/lib.sh"
# all it keeps is its own: the clock of one may be weeks ahead, and what it counts or clears away would be another's
own=$PWD/storage/framework/testing/served-$1
export DB_DATABASE=$PWD/storage/database.browser-$1.sqlite SOMATRACE_SEAL_FOLDER=$own/seal CACHE_PATH=$own/cache SESSION_FILES=$own/sessions
# many doors are opened here, and no password is worth the time of a hash made to be slow
export BCRYPT_ROUNDS=4
export APP_ENV=local APP_DEBUG=false APP_URL=http://127.0.0.1:$1 SOMATRACE_OUTBOX=true QUEUE_CONNECTION=sync
# one that was killed goes on with what it had
if [ -z "${GO_ON:-}" ]; then
  rm -rf "$DB_DATABASE" "$DB_DATABASE-wal" "$DB_DATABASE-shm" "$own"
  (umask 077; mkdir -p "$CACHE_PATH" "$SESSION_FILES"; : > "$DB_DATABASE")
  php artisan migrate --force --quiet
  php artisan db:seed --force --quiet ${STORY:+--class=$STORY}
fi
# the body is painted where a test asks for it, and for pictures: two painters beside two servers and two browsers keep each other waiting
if [ -z "${SCREENSHOTS:-}" ]; then
  set_it='(new PDO("sqlite:$argv[1]"))->prepare("update clinics set settings = json_set(settings, ?, ?)")'
  php -r "$set_it"'->execute(["\$.figure", "outlines"]);' "$DB_DATABASE"
fi
php_server 127.0.0.1 "$1" "${ROUTER:-}"
