# Processes of an installation. Each service runs in a session of its own; run/NAME holds the number of its leader and when that
# was born, so that a later process with the same number is never taken for it. While any process of a session lives, the system
# gives its number to no other, so what is left of a session whose leader is gone belongs to the installation too.

# born PID: when the process was started, in ticks; nothing where there is none, or only a zombie.
born() {
    local stat
    { read -r stat <"/proc/$1/stat"; } 2>/dev/null || return 0
    # shellcheck disable=SC2086
    set -- ${stat##*) }
    [ "$1" = Z ] || printf '%s' "${20}"
}

# members SESSION: processes of a session that are not zombies.
members() {
    local session=$1 file stat
    for file in /proc/[0-9]*/stat; do
        { read -r stat <"$file"; } 2>/dev/null || continue
        file=${file#/proc/}
        # shellcheck disable=SC2086
        set -- ${stat##*) }
        [ "$4" = "$session" ] && [ "$1" != Z ] && printf '%s\n' "${file%/stat}"
    done
    return 0
}

# running NAME: whether the leader of a service lives.
running() {
    local pid at
    { read -r pid at <"$HOME_DIR/run/$1"; } 2>/dev/null || return 1
    [ -n "$at" ] && [ "$(born "$pid")" = "$at" ]
}

# remains NAME: all processes of a service, also when their leader is gone.
remains() {
    local pid at now
    { read -r pid at <"$HOME_DIR/run/$1"; } 2>/dev/null || return 0
    now=$(born "$pid")
    [ -z "$now" ] || [ "$now" = "$at" ] || return 0
    members "$pid"
}

# spawn NAME COMMAND...: starts a service, as the user that serves.
spawn() {
    local name=$1 pid at
    shift
    touch "$HOME_DIR/log/$name.log" "$HOME_DIR/run/$name"
    [ "$SERVING" = "$(id -un)" ] || chown "$SERVING:" "$HOME_DIR/log/$name.log" "$HOME_DIR/run/$name"
    "${AS[@]}" setsid "$@" >>"$HOME_DIR/log/$name.log" 2>&1 </dev/null 9>&- &
    pid=$!
    at=$(born "$pid")
    printf '%s %s\n' "$pid" "$at" >"$HOME_DIR/run/$name"
    disown "$pid" 2>/dev/null || true
    STARTED+=("$name")
}

# end_service NAME SECONDS: asks a service to end and waits; what is left after that is killed.
end_service() {
    local name=$1 patience=$2 pids waited=0
    pids=$(remains "$name")
    # shellcheck disable=SC2086
    [ -z "$pids" ] || kill -TERM $pids 2>/dev/null || true
    while pids=$(remains "$name"); [ -n "$pids" ]; do
        if [ "$waited" -ge $((10 * patience)) ]; then
            # shellcheck disable=SC2086
            kill -KILL $pids 2>/dev/null || true
        fi
        [ "$waited" -ge $((10 * patience + 50)) ] && break
        sleep 0.1
        waited=$((waited + 1))
    done
    rm -f "$HOME_DIR/run/$name"
}

port_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
free_port() { local p=$1; while port_busy "$p"; do p=$((p + 1)); done; echo "$p"; }

# wait_for WHAT LOG COMMAND...
wait_for() {
    local what=$1 log=$2
    shift 2
    for _ in $(seq 150); do "$@" 2>/dev/null && return; sleep 0.1; done
    [ -f "$log" ] && tail -n 15 "$log" >&2
    fail "$what did not start; the lines above are from $log"
}
