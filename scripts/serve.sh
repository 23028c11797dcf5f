# Serving: the web server, the stand-in instrument, the holder of its link, the worker for longer tasks.

# Whole functions are compiled: with traces, PHP 8.2 now and then gave abs() the value that a loop's variable had before (seen in the feet on a
# spiral, two in a hundred wrong).
PHP_FAST=(-d opcache.enable=1 -d opcache.enable_cli=1 -d opcache.jit=function -d opcache.jit_buffer_size=64M -d memory_limit=1G)
# The JIT changes nothing for requests; OPcache changes everything.
PHP_WEB=(-d opcache.enable=1 -d opcache.enable_cli=1 -d memory_limit=512M -d max_execution_time=60 -d upload_max_filesize=200M -d post_max_size=210M -d display_errors=0 -d log_errors=0)

groups=()

serve() {
    prepare_environment
    [ "$fresh" = yes ] && [ "$1" = demo ] && forget_data
    clear_leftovers
    for p in "$port" $((port + 1)) $((port + 2)); do
        port_free "$p" || fail "Port $p is in use. Stop what uses it, or choose another with --port."
    done
    prepare_data
    cache_configuration
    trap 'stop_all; exit 0' INT TERM
    trap stop_all EXIT
    rm -f "$data/instrument.json"
    say "Starting the stand-in instrument"
    launch instrument php "${PHP_FAST[@]}" simulator/bin/stand-in.php "$PARLAY_INSTRUMENT" "$PARLAY_WORLD" "$data/practice-world"
    launch link php "${PHP_FAST[@]}" artisan parlay:instrument
    # Two, so that one long piece of work never makes another wait; behind the requests and the instrument.
    launch worker-a nice -n 5 php "${PHP_FAST[@]}" artisan parlay:worker a
    launch worker-b nice -n 5 php "${PHP_FAST[@]}" artisan parlay:worker b
    say "Starting the web server"
    launch web keep_web php "${PHP_WEB[@]}" -q -S "$host:$port" -t public public/index.php
    wait_until_all_answer
    [ "$1" = demo ] && load_demo
    printf 'Parlay answers at http://%s:%s  (Ctrl-C stops it)\n' "$([ "$host" = 0.0.0.0 ] && echo localhost || echo "$host")" "$port"
    [ "$PARLAY_ASKS_KEY" = 0 ] || show_key
    # They run until told to stop; the traps do the rest.
    wait
}

prepare_environment() {
    mkdir -p "$data/storage/framework/"{views,cache,sessions} "$data/run" || fail "The data folder $data can't be written to. Choose another with --data."
    [ -s "$data/key" ] || head -c32 /dev/urandom | base64 > "$data/key"
    export PARLAY_DATA="$data" APP_KEY="base64:$(cat "$data/key")" APP_ENV=production APP_DEBUG=false
    export PARLAY_HOSTS PARLAY_ASKS_KEY=0
    PARLAY_HOSTS="$(hosts)"
    if ! is_loopback "$host"; then
        PARLAY_ASKS_KEY=1
        [ -s "$data/access-key" ] || new_key
    fi
    export PARLAY_INSTRUMENT="127.0.0.1:$((port + 1))" PARLAY_WORLD="127.0.0.1:$((port + 2))"
}

forget_data() {
    say "Throwing the demo data away"
    rm -rf "$data"/*.sqlite* "$data/practice-world" "$data/uploads" "$data/reports" "$data/instrument.json"
}

# Asked of the database itself, at every start: a file of the same name need not be the same database.
prepare_data() {
    php artisan parlay:data || exit 1
}

# What the framework would read and compile anew for each request.
cache_configuration() {
    export APP_CONFIG_CACHE="$data/storage/config.php" APP_ROUTES_CACHE="$data/storage/routes.php" APP_EVENTS_CACHE="$data/storage/events.php"
    rm -f "$APP_CONFIG_CACHE" "$APP_ROUTES_CACHE" "$APP_EVENTS_CACHE"
    quietly php artisan optimize || fail "The configuration could not be prepared; what was said stands above."
}

load_demo() {
    php "${PHP_FAST[@]}" artisan parlay:demo || fail "The demo projects could not be loaded."
}

port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# Each runs in a process group of its own, comes back when it falls over, and goes as a group.
launch() {
    local name="$1"; shift
    export -f keep_web until_one_is_missing count_workers
    export WEB_WORKERS host port
    setsid bash -c 'trap "exit 0" TERM; while :; do "$@" </dev/null >>"$0" 2>&1 & wait $!; sleep 1; done' "$data/run/$name.log" "$@" &
    groups+=($!)
    echo $! > "$data/run/$name.group"
}

# PHP's server makes its workers once and misses none that dies; and workers whose parent died hold the port. So whenever one is missing, all are made anew.
WEB_WORKERS=6
keep_web() {
    local server pause alive=0 dead=0
    exec {pause}<> <(:)
    PHP_CLI_SERVER_WORKERS=$WEB_WORKERS "$@" &
    server=$!
    # The workers take a moment to come; one that dies meanwhile is missed at once.
    for _ in $(seq 50); do
        count_workers "$server"
        [ "$alive" -lt $WEB_WORKERS ] && [ "$dead" = 0 ] && kill -0 "$server" 2>/dev/null || break
        read -rt 0.1 -u "$pause" || true
    done
    until_one_is_missing "$server"
    pkill -KILL -g 0 -f "^php .*-S $host:$port" 2>/dev/null || true
    wait "$server" 2>/dev/null || true
}
# Twice in a row: all are taken out of their work for it, and a count on a busy machine can fail by itself. Nothing is started for looking: it is done all day.
until_one_is_missing() {
    local short=0
    while kill -0 "$1" 2>/dev/null && [ $short -lt 2 ]; do
        count_workers "$1"
        if [ "$alive" -lt $WEB_WORKERS ]; then short=$((short + 1)); else short=0; fi
        read -rt 1 -u "$pause" || true
    done
}
# Sets alive and dead. One that died stays on as a zombie, for the server misses none.
count_workers() {
    local children='' child stat
    alive=0 dead=0
    read -r children 2>/dev/null <"/proc/$1/task/$1/children" || true
    for child in $children; do
        stat=''
        read -r stat 2>/dev/null <"/proc/$child/stat" || true
        stat="${stat##*) }"
        case "${stat%% *}" in
            R|S|D|I) alive=$((alive + 1)) ;;
            *) dead=$((dead + 1)) ;;
        esac
    done
}

# What it may be called: a name that others make to point here is none of these.
hosts() {
    local all=("${names[@]}")
    case "$host" in
        0.0.0.0|::) read -r -a own <<<"$(hostname -I 2>/dev/null)"; all+=("${own[@]}") ;;
        *) all+=("$host") ;;
    esac
    local IFS=,
    echo "${all[*]}"
}
is_loopback() { case "$1" in 127.*|localhost|::1|'[::1]') return 0 ;; *) return 1 ;; esac; }

new_key() { (umask 077; head -c32 /dev/urandom | base64 | tr '+/' '-_' | tr -d '=' > "$data/access-key"); }

# As an address and as a picture to be held before a tablet's camera. What stands behind the # stays in the browser.
show_key() {
    local at="$host" address
    case "$host" in 0.0.0.0|::) at="$(hostname -I 2>/dev/null | awk '{print $1}')" ;; esac
    address="http://${names[0]:-${at:-localhost}}:$port/enter#$(cat "$data/access-key")"
    printf 'Others enter by its key, asked once of each browser:\n  %s\n' "$address"
    qrencode -t UTF8 -m 1 "$address" 2>/dev/null || true
    echo 'Programs send it as “Authorization: Bearer …”. ./parlay key makes another.'
}

change_key() {
    mkdir -p "$data" || fail "The data folder $data can't be written to. Choose another with --data."
    new_key
    say "The key is another one now; every browser is asked again."
    show_key
}

stop_all() {
    trap - INT TERM EXIT
    local g
    for g in "${groups[@]}"; do kill -TERM -- "-$g" 2>/dev/null || true; done
    for _ in $(seq 40); do
        local alive=no
        for g in "${groups[@]}"; do kill -0 -- "-$g" 2>/dev/null && alive=yes; done
        [ "$alive" = no ] && break
        sleep 0.1
    done
    for g in "${groups[@]}"; do kill -KILL -- "-$g" 2>/dev/null || true; done
    rm -f "$data/run/"*.group
}

# One Parlay holds a data folder; the processes of one that was killed outright would hold its ports.
clear_leftovers() {
    local other f
    other="$(cat "$data/run/parlay.pid" 2>/dev/null || true)"
    if [ -n "$other" ] && [ "$other" != $$ ] && { tr '\0' ' ' < "/proc/$other/cmdline"; } 2>/dev/null | grep parlay >/dev/null; then
        fail "Parlay is running on this data folder already. Stop it first, or choose another with --data."
    fi
    for f in "$data/run/"*.group; do
        [ -f "$f" ] || continue
        if pgrep -g "$(cat "$f")" -f 'stand-in.php|parlay:instrument|parlay:worker|public/index.php' >/dev/null; then
            kill -KILL -- "-$(cat "$f")" 2>/dev/null || true
            # A port is free once the last of them is gone.
            for _ in $(seq 50); do kill -0 -- "-$(cat "$f")" 2>/dev/null || break; sleep 0.1; done
        fi
        rm -f "$f"
    done
    # What a packing that was killed has left ends in letters of its own.
    rm -f "$data"/reports/*.part* "$data"/uploads/*.part*
    echo $$ > "$data/run/parlay.pid"
}

wait_until_all_answer() {
    local _
    for _ in $(seq 150); do
        if php -r '
            $web = @file_get_contents("http://127.0.0.1:'"$port"'/api/v1/ping");
            $world = @stream_socket_client("tcp://" . getenv("PARLAY_WORLD"), $c, $m, 1);
            $live = json_decode((string) @file_get_contents(getenv("PARLAY_DATA") . "/instrument.json"));
            exit($web !== false && $world !== false && ($live->link ?? "") === "up" ? 0 : 1);' 2>/dev/null; then
            return 0
        fi
        sleep 0.2
    done
    tail -n 5 "$data/run/"*.log >&2 || true
    fail "Not everything came up within 30 s; what was said stands above."
}
