# Workers on further hosts: FOEHN_ROLE=worker ./foehn start. A host has a folder of its own (var/worker, or FOEHN_NAME), the settings of
# the main installation (FOEHN_MAIN, a copy of its .env, asked for once), and shares its database, its Redis and its disk of fields.

HOST_SETTINGS='APP_ENV|APP_KEY|APP_URL|DB_[A-Z]*|REDIS_[A-Z]*|QUEUE_CONNECTION|CACHE_STORE|FOEHN_FIELDS|FOEHN_KEEP_RUNS|LOG_CHANNEL'

use_host() {
    use "${FOEHN_NAME:-worker}"
    [ "$(setting FOEHN_ROLE)" = worker ] || [ ! -f "$HOME_DIR/.env" ] || fail "$HOME_DIR belongs to an installation of its own; choose another FOEHN_NAME"
}

start_host() {
    install_packages
    install_libraries
    use_host
    WORKERS=${FOEHN_WORKERS:-$(nproc)}
    host_settings
    locked launch_host
    say "$WORKERS workers take part in $(setting APP_URL)"
}

stop_host() {
    use_host
    locked stop_all
    say 'The workers of this host are stopped.'
}

# host_settings: those of the main installation; a later copy takes their place.
host_settings() {
    local fields name
    if [ -n "${FOEHN_MAIN:-}" ]; then
        [ -r "$FOEHN_MAIN" ] || fail "FOEHN_MAIN=$FOEHN_MAIN cannot be read; it is a copy of var/work/.env of the main installation"
        grep -q '^QUEUE_CONNECTION=redis' "$FOEHN_MAIN" || fail 'the main installation keeps its queue to itself; start it with FOEHN_QUEUE=redis'
        (umask 077; { echo FOEHN_ROLE=worker; grep -E "^($HOST_SETTINGS)=" "$FOEHN_MAIN"; } >"$HOME_DIR/.env")
    fi
    [ -f "$HOME_DIR/.env" ] || fail 'the settings of the main installation are missing; give a copy of its var/work/.env: FOEHN_ROLE=worker FOEHN_MAIN=FILE ./foehn start'
    own
    fields=$(setting FOEHN_FIELDS)
    "${AS[@]}" test -w "$fields" || fail "the folder of fields, $fields, cannot be written here; share that of the main installation at the same path"
    for name in DB REDIS; do
        (exec 3<>"/dev/tcp/$(setting "${name}_HOST")/$(setting "${name}_PORT")") 2>/dev/null || fail "nothing answers at ${name}_HOST=$(setting "${name}_HOST"), ${name}_PORT=$(setting "${name}_PORT") in $HOME_DIR/.env; both listen on loopback of the main host, so bring them here with a tunnel"
    done
}

launch_host() {
    trap 'undo_start' EXIT
    start_workers
    running supervisor || spawn supervisor "$ROOT/foehn" _supervise_host "$NAME" "$WORKERS"
    trap - EXIT
}

# Runs that lose their worker are started again by the main installation.
supervise_host() {
    local beat=0
    while sleep 2; do
        start_workers
        beat=$((beat + 1))
        [ $((beat % 300)) -eq 1 ] && rotate_logs
        STARTED=()
    done
}
