# One installation: its folder, settings and services. An installation lives in var/NAME, which only the user that serves can enter.

# use NAME: sets the paths of an installation and makes its folders.
use() {
    NAME=$1
    HOME_DIR="$ROOT/var/$NAME"
    STARTED=()
    serving_user
    mkdir -p "$ROOT/var" || fail "cannot write in $ROOT"
    mkdir -p -m 0700 "$HOME_DIR" || fail "cannot write in $ROOT/var"
    mkdir -p "$HOME_DIR"/{run,log,tmp,fields,cache} "$HOME_DIR"/storage/{logs,framework/{views,sessions,cache/data}} || fail "cannot write in $HOME_DIR"
    chmod 0700 "$HOME_DIR"
    SOCKETS=$HOME_DIR
    # The path of a socket may have about 100 characters.
    if [ "${#HOME_DIR}" -gt 80 ]; then
        SOCKETS="${TMPDIR:-/tmp}/foehn-$(id -u "$SERVING")-$(printf '%s' "$HOME_DIR" | cksum | cut -d' ' -f1)"
        mkdir -p -m 0700 "$SOCKETS" && chown "$SERVING" "$SOCKETS" && chmod 0700 "$SOCKETS" || fail "cannot make the folder $SOCKETS for sockets"
    fi
    export FOEHN_ENV_DIR="$HOME_DIR"
}

# serving_user: services never run as root where that can be helped.
serving_user() {
    SERVING=$(id -un) AS=()
    [ "$(id -u)" -eq 0 ] || return 0
    id foehn >/dev/null 2>&1 || useradd --system --no-create-home --home-dir /nonexistent --shell /usr/sbin/nologin foehn
    AS=(setpriv --reuid=foehn --regid=foehn --clear-groups --no-new-privs --)
    # Some packages come with files that only their owner may read.
    chmod -R a+rX vendor public 2>/dev/null || true
    if "${AS[@]}" test -r "$ROOT/public/index.php" 2>/dev/null && [ -z "$(find app bootstrap config core database resources routes ! -perm -004 -print -quit)" ]; then
        SERVING=foehn
    else
        say "WARNING: the user foehn cannot read $ROOT, so the services run as root. Move the checkout to a folder that others may enter, such as /opt."
        AS=()
    fi
}

# own: hands the folder of the installation to the user that serves.
own() { [ "$SERVING" = "$(id -un)" ] || chown -R "$SERVING:" "$HOME_DIR"; }

setting() { { sed -n "s/^$1=//p" "$HOME_DIR/.env" 2>/dev/null || true; } | tail -n 1; }
secret() { head -c 24 /dev/urandom | base64 | tr -d '+/=\n'; }

# Settings are made once and kept. Every installation has secrets of its own.
# make_settings WEB_PORT DB_PORT
make_settings() {
    local key
    # Settings of earlier versions had a password that all installations shared; only their key is taken over.
    [ "$(setting FOEHN_SETTINGS)" = 2 ] && return
    key=$(setting APP_KEY)
    (
        umask 077
        cat >"$HOME_DIR/.env" <<ENV
FOEHN_SETTINGS=2
APP_ENV=$([ "$NAME" = work ] && echo production || echo testing)
APP_KEY=${key:-base64:$(head -c 32 /dev/urandom | base64)}
APP_URL=http://127.0.0.1:$1
FOEHN_PORT=$1
FOEHN_DEMO=${FOEHN_DEMO:-true}
FOEHN_HOSTS=${FOEHN_HOSTS:-127.0.0.1,localhost}
FOEHN_FIELDS=$HOME_DIR/fields
DB_CONNECTION=mariadb
DB_HOST=127.0.0.1
DB_PORT=$2
DB_DATABASE=foehn
DB_USERNAME=foehn_app
DB_PASSWORD=$(secret)
SESSION_DRIVER=database
SESSION_COOKIE=foehn_$(secret | cut -c1-8)
CACHE_STORE=database
QUEUE_CONNECTION=database
LOG_CHANNEL=single
ENV
    )
}

# choose_queue: with FOEHN_QUEUE=redis workers of other hosts take part (see hosts.sh). What is asked for once is kept.
choose_queue() {
    local saved asked
    saved=$(setting QUEUE_CONNECTION)
    asked=${FOEHN_QUEUE:-$saved}
    case "$asked" in database | redis) ;; *) fail "FOEHN_QUEUE is database or redis, not \"$asked\"" ;; esac
    if [ "$asked" != "$saved" ]; then
        something_runs && fail "this installation runs with its queue in $saved and $asked is asked for; stop it first (./foehn stop), then start it again"
        sed -i "s|^QUEUE_CONNECTION=.*|QUEUE_CONNECTION=$asked|" "$HOME_DIR/.env"
    fi
    if [ "$asked" = redis ] && [ -z "$(setting REDIS_PORT)" ]; then
        printf '%s\n' REDIS_CLIENT=predis REDIS_HOST=127.0.0.1 "REDIS_PORT=${FOEHN_REDIS_PORT:-$(free_port 33470)}" "REDIS_PASSWORD=$(secret)" >>"$HOME_DIR/.env"
    fi
}

# take_ports: those of the settings. Others that are asked for are taken while nothing runs, and refused while something does.
take_ports() {
    local asked saved name key
    for name in WEB_PORT:FOEHN_PORT DB_PORT:DB_PORT; do
        key=${name#*:} name=${name%%:*}
        saved=$(setting "$key")
        asked=$saved
        [ "$name" = WEB_PORT ] && asked=${FOEHN_PORT:-$saved}
        [ "$name" = DB_PORT ] && asked=${FOEHN_DB_PORT:-$saved}
        if [ "$asked" != "$saved" ]; then
            something_runs && fail "this installation runs with $key=$saved and $asked is asked for; stop it first (./foehn stop), then start it again"
            sed -i "s|^$key=.*|$key=$asked|; s|^APP_URL=.*|APP_URL=http://127.0.0.1:$([ "$key" = FOEHN_PORT ] && echo "$asked" || setting FOEHN_PORT)|" "$HOME_DIR/.env"
        fi
        printf -v "$name" '%s' "$asked"
    done
    WORKERS=${FOEHN_WORKERS:-$(nproc)}
}

services() { printf '%s\n' supervisor; ls "$HOME_DIR/run" 2>/dev/null | grep '^worker-' || true; printf '%s\n' nginx fpm redis database; }
something_runs() { local name; for name in $(services); do [ -z "$(remains "$name")" ] || return 0; done; return 1; }

# ---- database ----

sql_as() { local user=$1; shift; "${AS[@]}" mariadb --no-defaults -u"$user" --socket="$SOCKETS/db.sock" -e "$1" >/dev/null; }
sql() { sql_as "$SERVING" "$1" 2>/dev/null || "${AS[@]}" mariadb --no-defaults -uroot --socket="$SOCKETS/db.sock" -e "$1" >/dev/null; }

start_database() {
    local data="$HOME_DIR/db" password
    running database && return
    end_service database 60
    port_busy "$DB_PORT" && fail "port $DB_PORT for the database is in use by another program; choose another one: FOEHN_DB_PORT=$(free_port "$((DB_PORT + 1))") ./foehn start"
    PATH="$PATH:/usr/sbin"
    # A folder that a broken first start left behind is made anew; a finished one is never touched.
    if [ ! -f "$data/.complete" ]; then
        rm -rf "$data"
        "${AS[@]}" mariadb-install-db --no-defaults --user="$SERVING" --datadir="$data" --auth-root-authentication-method=socket --auth-root-socket-user="$SERVING" --skip-test-db >"$HOME_DIR/log/database.log" 2>&1 \
            || { tail "$HOME_DIR/log/database.log" >&2; fail 'the database could not be set up'; }
        touch "$data/.complete"
    fi
    spawn database mariadbd --no-defaults --user="$SERVING" --datadir="$data" --tmpdir="$HOME_DIR/tmp" --socket="$SOCKETS/db.sock" --pid-file="$HOME_DIR/tmp/db.pid" --port="$DB_PORT" --bind-address=127.0.0.1 \
        --skip-name-resolve --skip-log-bin --local-infile=0 --secure-file-priv="$HOME_DIR/tmp" --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --max-allowed-packet=128M --log-error="$HOME_DIR/log/database.log"
    wait_for 'the database' "$HOME_DIR/log/database.log" sql 'SELECT 1'
    password=$(setting DB_PASSWORD)
    # The root of the database comes in by the socket only, which none but the user that serves can reach; the application has its own databases and no right to files.
    sql "CREATE DATABASE IF NOT EXISTS foehn; CREATE DATABASE IF NOT EXISTS foehn_unit;
         CREATE USER IF NOT EXISTS '$SERVING'@localhost IDENTIFIED VIA unix_socket; GRANT ALL ON *.* TO '$SERVING'@localhost WITH GRANT OPTION;
         ALTER USER root@localhost IDENTIFIED VIA unix_socket;
         DROP USER IF EXISTS root@127.0.0.1, root@'::1', root@'%', foehn@127.0.0.1;
         CREATE USER IF NOT EXISTS foehn_app@127.0.0.1; ALTER USER foehn_app@127.0.0.1 IDENTIFIED BY '$password';
         GRANT ALL ON foehn.* TO foehn_app@127.0.0.1; GRANT ALL ON foehn_unit.* TO foehn_app@127.0.0.1; FLUSH PRIVILEGES;"
}

# ---- queue ----

# Holds jobs only, in memory; runs that lose theirs get another one from the database.
start_redis() {
    [ "$(setting QUEUE_CONNECTION)" = redis ] || return 0
    running redis && return
    end_service redis 10
    command -v redis-cli >/dev/null || install_packages redis
    port_busy "$(setting REDIS_PORT)" && fail "port $(setting REDIS_PORT) for Redis is in use by another program; change REDIS_PORT in $HOME_DIR/.env"
    (
        umask 077
        printf '%s\n' 'bind 127.0.0.1' "port $(setting REDIS_PORT)" "requirepass $(setting REDIS_PASSWORD)" "dir $HOME_DIR/tmp" 'save ""' 'maxmemory-policy noeviction' >"$HOME_DIR/redis.conf"
    )
    own
    # One program that goes by its name: the package with only the tools has it too, and starts no service of its own.
    ln -sf "$(command -v redis-server || command -v redis-check-rdb)" "$HOME_DIR/tmp/redis-server"
    spawn redis "$HOME_DIR/tmp/redis-server" "$HOME_DIR/redis.conf"
    wait_for 'Redis' "$HOME_DIR/log/redis.log" redis_answers
}

redis_answers() { REDISCLI_AUTH=$(setting REDIS_PASSWORD) redis-cli -p "$(setting REDIS_PORT)" ping 2>/dev/null | grep -q PONG; }

# ---- web server ----

start_fpm() {
    running fpm && return
    end_service fpm 10
    cat >"$HOME_DIR/fpm.conf" <<CONF
[global]
pid = $HOME_DIR/tmp/fpm.pid
error_log = $HOME_DIR/log/fpm.log
daemonize = no
[foehn]
$([ "$SERVING" = root ] && printf 'user = root\ngroup = root')
listen = $SOCKETS/fpm.sock
listen.mode = 0600
pm = static
pm.max_children = 6
clear_env = no
catch_workers_output = yes
request_terminate_timeout = 120s
env[FOEHN_ENV_DIR] = $HOME_DIR
php_admin_value[memory_limit] = 1G
php_admin_value[max_execution_time] = 60
php_admin_value[post_max_size] = 72M
php_admin_value[upload_max_filesize] = 72M
php_admin_value[expose_php] = 0
CONF
    rm -f "$SOCKETS/fpm.sock"
    spawn fpm "$(PATH="$PATH:/usr/sbin" command -v php-fpm8.2)" $([ "$SERVING" = root ] && echo --allow-to-run-as-root) --fpm-config "$HOME_DIR/fpm.conf"
}

start_nginx() {
    running nginx && return
    end_service nginx 10
    port_busy "$WEB_PORT" && fail "port $WEB_PORT is in use by another program; choose another one: FOEHN_PORT=$(free_port "$((WEB_PORT + 1))") ./foehn start"
    cat >"$HOME_DIR/nginx.conf" <<CONF
$([ "$SERVING" = root ] && echo 'user root;')
worker_processes 1;
pid $HOME_DIR/tmp/nginx.pid;
error_log $HOME_DIR/log/nginx.log;
events { worker_connections 256; }
http {
    include /etc/nginx/mime.types;
    access_log off;
    server_tokens off;
    client_max_body_size 70m;
    client_body_temp_path $HOME_DIR/tmp/body; fastcgi_temp_path $HOME_DIR/tmp/fastcgi; proxy_temp_path $HOME_DIR/tmp/proxy;
    uwsgi_temp_path $HOME_DIR/tmp/uwsgi; scgi_temp_path $HOME_DIR/tmp/scgi;
    gzip on; gzip_types application/json application/javascript text/css application/octet-stream;
    add_header X-Content-Type-Options nosniff always;
    add_header X-Frame-Options DENY always;
    add_header Referrer-Policy same-origin always;
    # The worker that reads STEP files has a policy of its own: its kernel makes functions from text.
    map \$uri \$policy {
        default "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self' data: blob:; worker-src 'self' blob:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'; object-src 'none'";
        ~^/build/assets/stepWorker "default-src 'none'; script-src 'self' 'unsafe-eval' 'wasm-unsafe-eval'; connect-src 'self'";
    }
    add_header Content-Security-Policy \$policy always;
    map \$uri \$kept { default ''; ~^/build/ 'public, max-age=31536000, immutable'; }
    add_header Cache-Control \$kept;
    server {
        listen 127.0.0.1:$WEB_PORT default_server;
        default_type text/plain;
        return 421 'This installation answers to other names.';
    }
    server {
        listen 127.0.0.1:$WEB_PORT;
        server_name $(setting FOEHN_HOSTS | tr ',' ' ');
        root $ROOT/public;
        error_page 413 @too_large;
        location @too_large { default_type application/json; return 413 '{"message":"The upload is larger than 70 MB; a model document may have at most 20 MB."}'; }
        location /build/ { try_files \$uri =404; }
        location / { try_files \$uri /index.php\$is_args\$args; }
        location = /index.php {
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
            fastcgi_param HTTP_HOST \$http_host;
            fastcgi_read_timeout 3600s;
            fastcgi_pass unix:$SOCKETS/fpm.sock;
        }
    }
}
CONF
    spawn nginx "$(PATH="$PATH:/usr/sbin" command -v nginx)" -c "$HOME_DIR/nginx.conf" -e "$HOME_DIR/log/nginx.log" -g 'daemon off;'
}

web_answers() { curl -fsS -o /dev/null "http://127.0.0.1:$WEB_PORT/api/session"; }

# ---- workers and supervisor ----

# A worker ends when it has grown beyond its memory or is an hour old; the supervisor starts the next.
start_worker() {
    running "worker-$1" && return
    end_service "worker-$1" 5
    # shellcheck disable=SC2086
    spawn "worker-$1" env $FOEHN_SOLVER_ENV php artisan queue:work --queue=default,studies --sleep=0.2 --tries=1 --timeout=0 --memory=4096 --max-time=3600 --quiet
}

start_workers() { local n; for n in $(seq "$WORKERS"); do start_worker "$n"; done; }

artisan() { "${AS[@]}" php artisan "$@"; }

# Files that grow are kept at 10 MB and one before.
rotate_logs() {
    local log
    for log in "$HOME_DIR"/log/*.log "$HOME_DIR"/storage/logs/*.log; do
        if [ -f "$log" ] && [ "$(stat -c %s "$log")" -gt 10000000 ]; then cp "$log" "$log.1" && : >"$log"; fi
    done
}

# Brings back what has ended, and starts runs again that have lost their worker or job.
supervise() {
    local beat=0
    fail() { say "$(date -Is) $*"; return 1; }
    while sleep 2; do
        running database || { say "$(date -Is) the database had ended; it starts again"; start_database; } || continue
        [ "$(setting QUEUE_CONNECTION)" != redis ] || running redis || { say "$(date -Is) Redis had ended; it starts again"; start_redis; } || continue
        running fpm || { say "$(date -Is) PHP had ended; it starts again"; start_fpm; } || continue
        running nginx || { say "$(date -Is) the web server had ended; it starts again"; start_nginx; } || continue
        start_workers
        beat=$((beat + 1))
        [ $((beat % 5)) -eq 0 ] && { artisan foehn:recover || true; }
        [ $((beat % 300)) -eq 1 ] && rotate_logs
        [ $((beat % 43200)) -eq 1 ] && { artisan foehn:prune || true; }
        STARTED=()
    done
}

start_supervisor() {
    running supervisor && return
    spawn supervisor "$ROOT/foehn" _supervise "$NAME"
}

# ---- all of it ----

# launch: starts what does not run. Where that fails, what this call has started is ended again.
launch() {
    trap 'undo_start' EXIT
    own
    start_database
    start_redis
    own
    artisan migrate --force --quiet
    if [ "$(setting FOEHN_DEMO)" = true ]; then
        # Tests need their workers for themselves.
        artisan foehn:demo $([ "$NAME" = work ] || echo --only-first)
    fi
    start_fpm
    start_nginx
    wait_for 'the web server' "$HOME_DIR/log/nginx.log" web_answers
    start_workers
    start_supervisor
    if [ "$(php -r 'echo (int) (opcache_get_status()["jit"]["on"] ?? false);')" = 1 ]; then
        say "Workers: $WORKERS, with the tracing JIT active"
    else
        say "WARNING: $WORKERS workers run WITHOUT the JIT of PHP; computing is about 4 times slower. Check that php8.2-opcache is installed and that nothing overrides etc/php/jit.ini."
    fi
    trap - EXIT
}

undo_start() {
    local n
    for ((n = ${#STARTED[@]} - 1; n >= 0; n--)); do end_service "${STARTED[n]}" 20; done
}

# Workers hand their runs back, which takes a step of the solver.
stop_all() {
    local name pids
    end_service supervisor 5
    for name in $(services); do
        case "$name" in worker-*) pids=$(remains "$name"); [ -z "$pids" ] || kill -TERM $pids 2>/dev/null || true ;; esac
    done
    for name in $(services); do
        case "$name" in worker-*) end_service "$name" 30 ;; nginx | fpm | redis) end_service "$name" 10 ;; database) end_service "$name" 60 ;; esac
    done
}
