# MariaDB, php-fpm and nginx of one house: the demo, the group or the tests. Each house has its own
# folder var/HOUSE with its data, configuration, logs and storage, and its own ports.

house_dir() { echo "$home/var/$1"; }

# A test run that root starts in a folder no other account can reach has no choice: then the services need to be told.
services_as_root() { [ "$(id -u)" != 0 ] || printf '%b' "$1"; }

port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# port_from START: the first free loopback port at or after START.
port_from() {
    local port="$1"
    until port_free "$port"; do port=$((port + 1)); done
    echo "$port"
}

# driver_start PORT: starts a browser's driver on the port, waits until it answers, and says in `driver` which process it is.
# With both cores busy it takes longer to be there than the first test to ask for it.
driver_start() {
    local tries=0
    chromedriver --port="$1" >.build/log/chromedriver.log 2>&1 8>&- 9>&- &
    driver=$!
    until curl -fsS -o /dev/null --max-time 5 "http://127.0.0.1:$1/status" 2>/dev/null; do
        [ -d "/proc/$driver" ] && [ $tries -lt 600 ] || fail "the browser's driver does not answer; see .build/log/chromedriver.log"
        tries=$((tries + 1))
        sleep 0.1
    done
}

# A process is ours when its pid file names a live process whose command line holds our folder.
service_alive() {
    local file="$1/run/$2.pid" pid
    [ -s "$file" ] || return 1
    pid="$(cat "$file")"
    [ -r "/proc/$pid/cmdline" ] && tr '\0' ' ' <"/proc/$pid/cmdline" | grep -qF "$1"
}

# The processes of a session that hold files of the house open.
service_left() {
    local dir="$1" leader="$2" process
    for process in $(ps -o pid= -s "$leader" 2>/dev/null || true); do
        # Files come and go while they are looked at; that is no failure.
        [ -z "$(find "/proc/$process/fd" -lname "$dir/*" -print -quit 2>/dev/null || true)" ] || echo "$process"
    done
}

# What a service that was killed outright has left behind: its workers, which share its session. They would keep the port, and
# they keep it until they are gone.
service_sweep() {
    local dir="$1" name="$2" leader left tries=0
    service_alive "$dir" "$name" && return 0
    leader="$(cat "$dir/run/$name.pid" 2>/dev/null || true)"
    [ -n "$leader" ] || return 0
    left="$(service_left "$dir" "$leader")"
    while [ -n "$left" ] && [ $tries -lt 100 ]; do
        # shellcheck disable=SC2086
        kill -KILL $left 2>/dev/null || true
        sleep 0.1
        tries=$((tries + 1))
        left="$(service_left "$dir" "$leader")"
    done
    return 0
}

service_stop() {
    local dir="$1" name="$2" signal="$3" pid tries=0
    service_sweep "$dir" "$name"
    service_alive "$dir" "$name" || { rm -f "$dir/run/$name.pid"; return 0; }
    pid="$(cat "$dir/run/$name.pid")"
    kill "-$signal" "$pid" 2>/dev/null || true
    while [ -d "/proc/$pid" ] && [ $tries -lt 150 ]; do
        sleep 0.1
        tries=$((tries + 1))
    done
    service_sweep "$dir" "$name"
    rm -f "$dir/run/$name.pid"
}

# Unix sockets have short names only (about 100 characters), so they lie in a private folder of the
# system's temporary directory, whose name is kept with the house.
socket_dir() {
    local dir="$1" kept
    kept="$(cat "$dir/run/sockets" 2>/dev/null || true)"
    if [ -z "$kept" ] || [ ! -d "$kept" ] || [ "$(stat -c %a "$kept")" != 700 ]; then
        kept="$(mktemp -d "${TMPDIR:-/tmp}/compadre.XXXXXX")"
        echo "$kept" >"$dir/run/sockets"
    fi
    echo "$kept"
}

# render TEMPLATE KEY=VALUE... : the template with each {{KEY}} filled in.
render() {
    local text pair
    text="$(cat "$1")"
    shift
    for pair in "$@"; do text="${text//"{{${pair%%=*}}}"/"${pair#*=}"}"; done
    printf '%s\n' "$text"
}

start_fpm() {
    local dir="$1" sockets="$2" root=()
    service_alive "$dir" fpm && return
    [ "$(id -u)" = 0 ] && root=(--allow-to-run-as-root)
    render ops/conf/php-fpm.conf DIR="$dir" SOCKETS="$sockets" OWNER="$(services_as_root 'user = root
group = root')" >"$dir/run/php-fpm.conf"
    (
        # shellcheck source=/dev/null
        set -a; source "$dir/env"; set +a
        exec setsid php-fpm8.2 --nodaemonize "${root[@]}" --fpm-config "$dir/run/php-fpm.conf" \
            -d error_log="$dir/log/php.log" -c ops/conf/php.ini
    ) </dev/null >>"$dir/log/php-fpm.out" 2>&1 7>&- 9>&- &
}

# start_worker HOUSE [FUNCTION]: whoever does the long work of a house. The folder is named so that the process is known for this house's.
start_worker() {
    local dir
    dir="$(house_dir "$1")"
    service_alive "$dir" worker && return
    setsid bash ops/house-do.sh "${2:-house_worker}" "$1" "$dir" </dev/null >>"$dir/log/worker.out" 2>&1 7>&- 9>&- &
    echo $! >"$dir/run/worker.pid"
}

# The stand-in for an award office, beside the demo and the tests.
start_office() {
    local dir="$1"
    service_alive "$dir" office && return
    setsid node standins/award-office/office.mjs --store "$dir/office" --port "$(house_setting "$dir" COMPADRE_OFFICE_PORT)" \
        --client "gullwick:$(house_setting "$dir" COMPADRE_OFFICE_SECRET)" </dev/null >>"$dir/log/office.out" 2>&1 7>&- 9>&- &
    echo $! >"$dir/run/office.pid"
}

nginx_app() { render ops/conf/nginx-app.conf SOCKETS="$1" PUBLIC="$home/public" HEADERS="$home/ops/conf/nginx-headers.conf"; }

# start_nginx DIR SOCKETS PORT [PROXY]: with PROXY, whoever asks from that address is a proxy, which says for whom it asks.
start_nginx() {
    local dir="$1" sockets="$2" port="$3"
    service_alive "$dir" nginx && return
    mkdir -p "$dir/run/nginx"
    render ops/conf/nginx.conf DIR="$dir" OWNER="$(services_as_root 'user root;')" PORT="$port" APP="$(nginx_app "$sockets")" LAN="$([ -f "$dir/run/lan.conf" ] && echo "include $dir/run/lan.conf;")" \
        BEHIND="${4:+set_real_ip_from $4; real_ip_header X-Forwarded-For;}" >"$dir/run/nginx.conf"
    setsid nginx -c "$dir/run/nginx.conf" -p "$dir/run/nginx" -e "$dir/log/nginx.err" </dev/null >>"$dir/log/nginx.out" 2>&1 7>&- 9>&-
}
