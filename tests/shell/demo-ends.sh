#!/usr/bin/env bash
# bin/demo starts, answers, and takes everything it started along when it is ended.
set -euo pipefail
cd "$(dirname "$0")/../.."
folder=$(mktemp -d)
trap 'kill -TERM "$demo" 2>/dev/null && wait "$demo" 2>/dev/null || true; rm -rf "$folder"' EXIT
export DB_DATABASE=$folder/demo.sqlite SOMATRACE_SEAL_FOLDER=$folder/seal
port=$(php -r '$s = stream_socket_server("tcp://127.0.0.1:0"); echo substr(strrchr(stream_socket_get_name($s, false), ":"), 1);')
ours() {
  php -r '
    foreach (glob("/proc/[0-9]*") as $one) {
      $told = (string) @file_get_contents("$one/environ");
      $line = strtr((string) @file_get_contents("$one/cmdline"), "\0", " ");
      $ours = basename($one) !== (string) getmypid() && str_contains($told, "DB_DATABASE=".$argv[1]);
      if ($ours && preg_match("/^php .*(queue:work|-S 127)/", $line)) echo basename($one), " $line\n";
    }' "$DB_DATABASE"
}
bin/demo --port "$port" >"$folder/words" 2>&1 &
demo=$!
for _ in $(seq 1 240); do php -r 'exit(@file_get_contents("http://127.0.0.1:'"$port"'/up") === false ? 1 : 0);' && break; sleep 0.5; done
php -r 'exit(@file_get_contents("http://127.0.0.1:'"$port"'/up") === "{\"up\":true}" ? 0 : 1);' \
  || { cat "$folder/words"; echo 'it does not answer'; exit 1; }
php -r 'exit(str_contains((string) @file_get_contents("http://127.0.0.1:'"$port"'/sign-in"), "\"demo\":true") ? 0 : 1);' \
  || { echo 'it does not say that it is a demo'; exit 1; }
php -r '$c = stream_context_create(["http" => ["header" => "Host: evil.example", "ignore_errors" => true]]); exit(str_contains((string) @file_get_contents("http://127.0.0.1:'"$port"'/sign-in", false, $c), "SignIn") ? 1 : 0);' \
  || { echo 'it answers to a foreign host'; exit 1; }
[ "$(stat -c %a "$DB_DATABASE")" = 600 ] || { echo 'the database is open to others'; exit 1; }
[ "$(ours | wc -l)" -ge 3 ] || { echo 'where are its workers?'; exit 1; }
kill -TERM "$demo"
wait "$demo" || true
sleep 0.5
left=$(ours)
[ -z "$left" ] || { echo "left behind: $left"; exit 1; }
