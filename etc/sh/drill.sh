# A drill of faults on an installation of its own, on loopback: kills, stale process files, a second start, a stranger, spoilt
# documents, workers on further hosts. Prints what held. With --short the part that tests run.

HELD=0 BROKE=0

# holds WHAT COMMAND...: counts whether a command succeeds.
holds() {
    local what=$1
    shift
    if "$@" >/dev/null 2>&1; then HELD=$((HELD + 1)); printf 'held    %s\n' "$what"; else BROKE=$((BROKE + 1)); printf 'BROKE   %s\n' "$what"; fi
}

# within SECONDS COMMAND...: waits until a command succeeds.
within() { local n=$((5 * $1)); shift; while ! "$@" >/dev/null 2>&1; do n=$((n - 1)); [ "$n" -gt 0 ] || return 1; sleep 0.2; done; }

not() { ! "$@"; }
leader() { cut -d' ' -f1 "$HOME_DIR/run/$1"; }

# call METHOD PATH [CURL OPTIONS...]: as the demo engineer.
call() {
    local method=$1 path=$2
    shift 2
    curl -s -m 30 -b "$JAR" -c "$JAR" -H "X-CSRF-TOKEN: $TOKEN" -H 'Accept: application/json' -X "$method" "http://127.0.0.1:$WEB_PORT$path" "$@"
}
status() { call "$@" -o /dev/null -w '%{http_code}'; }
field() { php -r '$v = json_decode(stream_get_contents(STDIN), true); foreach (explode(".", $argv[1]) as $k) { $v = $v[$k] ?? null; } echo is_scalar($v) ? $v : json_encode($v);' "$1"; }

# variant_of PROJECT: the first variant of a project.
variant_of() { call GET /api/projects | php -r 'foreach (json_decode(stream_get_contents(STDIN), true) as $p) { if ($p["name"] === $argv[1]) { echo $p["variants"][0]["id"]; } }' "$1"; }

sign_in() {
    JAR="$HOME_DIR/tmp/jar" TOKEN=''
    rm -f "$JAR"
    TOKEN=$(call GET /api/session | field token)
    TOKEN=$(call POST /api/session/demo | field token)
}

new_run() { call POST "/api/variants/$1/runs" -H 'Content-Type: application/json' -d "{\"grade\":\"$2\"}" | field id; }
run_state() { call GET "/api/runs/$1?after=999999999" | field state; }
run_is() { [ "$(run_state "$1")" = "$2" ]; }
run_ends() { case "$(run_state "$1")" in solved | unsteady) ;; *) return 1 ;; esac; }
attempts_of() { call GET "/api/runs/$1?after=999999999" | field attempts; }
attempt_is() { run_is "$1" running && [ "$(attempts_of "$1")" = "$2" ]; }
in_database() { "${AS[@]}" mariadb --no-defaults -u"$SERVING" --socket="$SOCKETS/db.sock" -N -e "$1"; }
worker_of() { in_database "SELECT worker FROM foehn.runs WHERE id=$1" | cut -d: -f2; }

drill_access() {
    holds 'the folder of the installation is closed to others' test "$(stat -c %a "$HOME_DIR")" = 700
    holds 'the settings are closed to others' test "$(stat -c %a "$HOME_DIR/.env")" = 600
    holds 'root of the database is refused on TCP' not mariadb --no-defaults -uroot -h127.0.0.1 -P"$DB_PORT" -e 'SELECT 1'
    holds 'the application has no right to files' not mariadb --no-defaults -ufoehn_app -p"$(setting DB_PASSWORD)" -h127.0.0.1 -P"$DB_PORT" -e "SELECT 1 INTO OUTFILE '$HOME_DIR/tmp/out'"
    if [ "$(id -u)" -eq 0 ] && [ "$SERVING" != root ]; then
        holds 'a stranger reads neither settings nor fields' not setpriv --reuid=nobody --regid=nogroup --clear-groups -- ls "$HOME_DIR"
        holds 'a stranger gets nothing by the socket' not setpriv --reuid=nobody --regid=nogroup --clear-groups -- mariadb --no-defaults -uroot --socket="$SOCKETS/db.sock" -e 'SELECT 1'
        holds 'no service runs as root' test -z "$(for s in database fpm nginx worker-1 supervisor; do ps -o user= -p "$(leader "$s")"; done | grep -x root)"
    fi
    holds 'a foreign name in the Host header is refused' test "$(status GET / -H 'Host: evil.example')" = 421
    holds 'nothing is read without signing in' test "$(curl -s -o /dev/null -w '%{http_code}' -H 'Accept: application/json' "http://127.0.0.1:$WEB_PORT/api/projects")" = 401
    holds 'pages may not be framed and load nothing from outside' grep -qi "content-security-policy:.*frame-ancestors 'none'" <(curl -sI "http://127.0.0.1:$WEB_PORT/")
}

drill_kills() {
    local service run variant=$1 quick=$2 attempts
    for service in nginx fpm database; do
        kill -KILL "$(leader "$service")"
        holds "$service comes back after kill -9" within 30 sh -c "sleep 1; curl -fsS -o /dev/null http://127.0.0.1:$WEB_PORT/api/session"
    done
    sign_in
    run=$(new_run "$variant" working)
    within 30 run_is "$run" running
    sleep 1
    kill -KILL "$(worker_of "$run")"
    holds 'a run whose worker is killed goes on in its second attempt' within 40 attempt_is "$run" 2
    attempts=$(attempts_of "$run")
    stop_all
    use_installation "$NAME" 0 0
    launch >/dev/null
    sign_in
    holds 'a clean stop hands the run back without cost' test "$(attempts_of "$run")" -le "$attempts"
    holds 'the run goes on after the next start' within 60 run_is "$run" running
    call POST "/api/runs/$run/stop" >/dev/null
    # A job that was taken and never claimed: the run waits, the job is gone.
    within 30 not run_is "$run" running
    run=$(new_run "$quick" scout)
    within 90 run_ends "$run"
    sql "UPDATE foehn.runs SET state='queued', worker=NULL, dispatched_at=now() - interval 1 minute WHERE id=$run; DELETE FROM foehn.jobs"
    holds 'a run whose job vanished does not stay queued' within 60 not run_is "$run" queued
    holds 'and ends' within 90 run_ends "$run"
}

drill_starts() {
    local stranger other
    other=$(free_port "$((DB_PORT + 50))")
    holds 'a start with another database port is refused while it runs' sh -c "FOEHN_DB_PORT=$other '$ROOT/foehn' _start '$NAME' 2>&1 | grep -q 'stop it first'"
    holds 'and what runs is left alone' test "$(status GET /api/projects)" = 200
    holds 'a second start finds all of it running' sh -c "'$ROOT/foehn' _start '$NAME'"
    stop_all
    sleep 600 &
    stranger=$!
    printf '%s %s\n' "$stranger" 1 >"$HOME_DIR/run/worker-1"
    printf '%s %s\n' "$stranger" "" >"$HOME_DIR/run/nginx"
    stop_all
    holds 'a stale process file ends no stranger' kill -0 "$stranger"
    kill "$stranger" 2>/dev/null
    holds 'the port is free after a stop' not port_busy "$WEB_PORT"
    # A start that fails leaves nothing running.
    php -S "127.0.0.1:$WEB_PORT" -t "$HOME_DIR/tmp" >/dev/null 2>&1 &
    stranger=$!
    within 5 port_busy "$WEB_PORT"
    holds 'a start whose port is taken says so' sh -c "'$ROOT/foehn' _start '$NAME' 2>&1 | grep -q 'in use by another program'"
    holds 'and leaves nothing running' not something_runs
    kill "$stranger" 2>/dev/null
    within 5 not port_busy "$WEB_PORT"
}

# host NAME ACTION: two sets of workers with folders of their own, beside an installation without any.
host() { FOEHN_ROLE=worker FOEHN_NAME="drill-$1" FOEHN_WORKERS=1 FOEHN_MAIN="$HOME_DIR/.env" "$ROOT/foehn" "$2"; }
pid_of_host() { cut -d' ' -f1 "$ROOT/var/drill-$1/run/$2"; }
points() { in_database "SELECT count(*) FROM foehn.study_points p JOIN foehn.runs r ON r.id = p.run_id WHERE p.study_id = $1 AND $2"; }
took_both() { [ "$(points "$1" "r.worker LIKE '%:$2:%'")" -gt 0 ] && [ "$(points "$1" "r.worker LIKE '%:$3:%'")" -gt 0 ]; }
points_are() { [ "$(points "$1" "$2")" = "$3" ]; }

drill_hosts() {
    local variant=$1 study plan a b
    stop_all
    export FOEHN_QUEUE=redis FOEHN_WORKERS=0
    use_installation "$NAME" 0 0
    launch >/dev/null
    sign_in
    holds 'a second host of workers starts with a copy of the settings' host a start
    holds 'and a third' host b start
    a=$(pid_of_host a worker-1) b=$(pid_of_host b worker-1)
    plan='{"kind":"grid","variations":{"inside_air":"50 degC, 54 degC, 58 degC, 62 degC, 66 degC, 70 degC"}}'
    study=$(call POST "/api/variants/$variant/studies" -H 'Content-Type: application/json' -d "{\"name\":\"Air\",\"revision\":1,\"grade\":\"scout\",\"plan\":$plan}" | field id)
    holds 'both take points of one sweep' within 60 took_both "$study" "$a" "$b"
    kill -KILL "$(pid_of_host a supervisor)" "$a"
    holds 'the other host goes on where one is killed, and no point is lost or doubled' within 180 points_are "$study" "r.state = 'solved'" 6
    host a stop >/dev/null
    host b stop >/dev/null
    unset FOEHN_QUEUE FOEHN_WORKERS
    rm -rf "$ROOT/var/drill-a" "$ROOT/var/drill-b"
}

drill_documents() {
    local n codes file wrong=0
    # shellcheck disable=SC2016
    "${AS[@]}" php -r 'require "vendor/autoload.php"; $n = 0; foreach (Foehn\Tests\MutatedDocuments::some((int) $argv[1]) as $json) { file_put_contents($argv[2] . "/fuzz-" . $n++ . ".json", $json); }' "$1" "$HOME_DIR/tmp"
    for ((n = 0; n < $1; n++)); do
        file="$HOME_DIR/tmp/fuzz-$n.json"
        codes=$(call POST /api/projects -H 'Content-Type: application/json' --data-binary "@$file" -o /dev/null -w '%{http_code}')
        case "$codes" in 201 | 422) ;; *) wrong=$((wrong + 1)); printf '        document %d: status %s\n' "$n" "$codes" ;; esac
    done
    holds "$1 spoilt documents get 201 or 422" test "$wrong" = 0
    for n in '{"format":"foehn-model","version":1,"space":{"box":{"min":[0,0,0],"max":[1e400,1,1]}}}' '{"a\u0000b":1}' 'document=1&base=0' '[' ''; do
        codes=$(call POST /api/projects -H 'Content-Type: application/json' --data-binary "$n" -o /dev/null -w '%{http_code}')
        holds "refused with 422: ${n:0:40}" test "$codes" = 422
    done
}

drill() {
    local short=false
    [ "${1:-}" = --short ] && short=true
    install_packages
    install_libraries
    build_front_end
    use drill
    stop_all
    rm -rf "$HOME_DIR"
    unset FOEHN_PORT FOEHN_DB_PORT FOEHN_DEMO FOEHN_HOSTS FOEHN_QUEUE
    use_installation drill "$(free_port 18180)" "$(free_port 33270)"
    launch >/dev/null
    trap stop_all EXIT
    set +e
    sign_in
    drill_access
    drill_kills "$(variant_of 'Ridge radar processor')" "$(variant_of 'Ridge radar processor, convection coefficients')"
    drill_documents $([ "$short" = true ] && echo 40 || echo 400)
    drill_hosts "$(variant_of 'Ridge radar processor, convection coefficients')"
    use_installation drill 0 0
    launch >/dev/null
    sign_in
    drill_starts
    stop_all
    trap - EXIT
    rm -rf "$HOME_DIR"
    printf '\n%d held, %d broke.\n' "$HELD" "$BROKE"
    [ "$BROKE" -eq 0 ]
}
