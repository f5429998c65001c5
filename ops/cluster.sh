# Several machines in one: three databases that hold the same, two installations of the app, Redis, and a proxy before both. All of it on
# loopback, each part with a folder of its own under var/cluster, as docs/hosting.md describes it for machines that are apart.

# shellcheck source=/dev/null
source ops/cluster-databases.sh
# shellcheck source=/dev/null
source ops/cluster-backup.sh

cluster_packages=(haproxy galera-4 mariadb-backup rsync lsof redis-server php8.2-redis)
cluster_apps=(app1 app2)

# Another name than the usual one is a cluster of its own: tests have theirs.
cluster_house="${COMPADRE_CLUSTER:-cluster}"

cluster_dir() { echo "$home/var/$cluster_house${1:+/$1}"; }
cluster_port() { sed -n "s/^$1=//p" "$(cluster_dir)/ports" 2>/dev/null || true; }
cluster_sockets() { cat "$(cluster_dir "$1")/run/sockets" 2>/dev/null || true; }

# Ports are chosen once: each database knows the others by theirs.
cluster_ports() {
    local file name port=8720
    file="$(cluster_dir)/ports"
    [ ! -s "$file" ] || return 0
    for name in web proxy peers figures redis app1 app2 {db1,db2,db3}-{sql,health,group,missed,state}; do
        port="$(port_from "$port")"
        echo "$name=$port"
        port=$((port + 1))
    done >"$file.part"
    mv "$file.part" "$file"
}

cluster_secret() {
    local file
    file="$(cluster_dir)/$1"
    [ -s "$file" ] || { case "$1" in key) echo "base64:$(head -c 32 /dev/urandom | base64)" ;; *) secret ;; esac >"$file"; }
    cat "$file"
}

# --- the app, and the proxy ---

# cluster_app_prepare NAME [PORT]: what it writes goes through the proxy, or by another port that is named.
cluster_app_prepare() {
    local name="$1" dir
    dir="$(cluster_dir "$name")"
    mkdir -p "$dir"/{run,log,cache,storage/{app,logs,framework/{cache/data,sessions,views}}}
    render ops/conf/env HOUSE=demo DATABASE=compadre_cluster DIR="$dir" PORT="$(cluster_port web)" DBPORT="$(cluster_port "${2:-proxy}")" LAN= PUBLIC= \
        PASSWORD="$(cluster_secret password)" OFFICE= OFFICESECRET= REDIS="$(cluster_port redis)" REDISPASSWORD="$(cluster_secret redis-password)" KEY="$(cluster_secret key)" \
        | sed "s/^SESSION_COOKIE=.*/SESSION_COOKIE='compadre_cluster'/" >"$dir/env"
}

cluster_app_answers() { curl -fsS -o /dev/null "http://127.0.0.1:$(cluster_port "$1")/up" 2>/dev/null; }

# cluster_app_start NAME [PORT]
cluster_app_start() {
    local name="$1" dir sockets
    dir="$(cluster_dir "$name")"
    cluster_app_prepare "$name" "${2:-proxy}"
    sockets="$(socket_dir "$dir")"
    service_sweep "$dir" nginx
    service_sweep "$dir" fpm
    rm -f "$dir/storage/app/leaving"
    house_settle "$cluster_house/$name"
    start_fpm "$dir" "$sockets"
    start_nginx "$dir" "$sockets" "$(cluster_port "$name")" 127.0.0.1
    cluster_wait "$name does not answer; see $dir/log" cluster_app_answers "$name"
    start_worker "$cluster_house/$name" cluster_worker
}

cluster_worker() { worker_rounds "$2" cluster_is_up; }
cluster_is_up() { service_alive "$(cluster_dir proxy)" haproxy; }

cluster_redis_start() {
    local dir
    dir="$(cluster_dir redis)"
    service_alive "$dir" redis && return
    mkdir -p "$dir"/{run,log}
    render ops/conf/redis.conf DIR="$dir" PORT="$(cluster_port redis)" PASSWORD="$(cluster_secret redis-password)" >"$dir/run/redis.conf"
    # Named by its folder, so that the process is known for this cluster's: by itself it shows its port alone.
    setsid redis-server "$dir/run/redis.conf" --set-proc-title no </dev/null >>"$dir/log/redis.out" 2>&1 7>&- 9>&- &
    echo $! >"$dir/run/redis.pid"
}

cluster_proxy_start() {
    local dir sockets name pairs=()
    dir="$(cluster_dir proxy)"
    mkdir -p "$dir"/{run,log}
    sockets="$(socket_dir "$dir")"
    for name in "${cluster_databases[@]}"; do
        pairs+=("${name^^}PORT=$(cluster_port "$name-sql")" "${name^^}HEALTH=$(cluster_port "$name-health")")
    done
    for name in "${cluster_apps[@]}"; do pairs+=("${name^^}PORT=$(cluster_port "$name")"); done
    # What phones and pages are told while nobody answers is said as the app says it.
    printf 'HTTP/1.0 503 Service Unavailable\r\nCache-Control: no-cache\r\nContent-Type: application/json\r\n\r\n%s' \
        '{"message":"Compadre is being looked after. Nothing was written; try again in a minute.","errors":[]}' >"$dir/run/away.http"
    render ops/conf/haproxy.cfg SOCKETS="$sockets" AWAY="$dir/run/away.http" PEERPORT="$(cluster_port peers)" FIGURESPORT="$(cluster_port figures)" \
        WEBPORT="$(cluster_port web)" DBPORT="$(cluster_port proxy)" "${pairs[@]}" >"$dir/run/haproxy.cfg"
    if service_alive "$dir" haproxy; then
        kill -USR2 "$(cat "$dir/run/haproxy.pid")"
        return
    fi
    setsid haproxy -W -L compadre -f "$dir/run/haproxy.cfg" -p "$dir/run/haproxy.pid" </dev/null >>"$dir/log/haproxy.out" 2>&1 7>&- 9>&- &
}

# Which database is written to now, by the proxy.
cluster_writer() {
    local port
    port="$(cluster_port proxy)"
    mariadb --no-defaults --protocol=tcp -h 127.0.0.1 -P "$port" -u compadre -p"$(cluster_secret password)" -N --connect-timeout=2 -e 'select @@wsrep_node_name' 2>/dev/null || true
}

# cluster_wait WHY COMMAND... : half a minute and more until the command says yes; else why it is of no use to wait on.
cluster_wait() {
    local why="$1" tries=0
    shift
    until "$@"; do
        tries=$((tries + 1))
        [ $tries -gt 150 ] && fail "$why"
        sleep 0.2
    done
}

cluster_has_writer() { [ -n "$(cluster_writer)" ]; }
cluster_wait_writer() { cluster_wait "the proxy lets nobody through to a database; see $(cluster_dir)/proxy/log/haproxy.out" cluster_has_writer; }

# Until the proxy has seen for itself that somebody serves.
cluster_is_served() { curl -fsS -o /dev/null --max-time 10 "http://127.0.0.1:$(cluster_port web)/api/ready" 2>/dev/null; }
cluster_wait_served() { cluster_wait "the proxy finds nobody who serves; see $(cluster_dir)/proxy/log/haproxy.out" cluster_is_served; }

# cluster_app_is NAME STATE: whether the proxy takes an installation to be UP, or DOWN.
cluster_app_is() { curl -fsS "http://127.0.0.1:$(cluster_port figures)/metrics" 2>/dev/null | grep -q "^haproxy_server_status{proxy=\"people\",server=\"$1\",state=\"$2\"} 1"; }

# --- what is asked of it ---

cluster_up() {
    local name begun=$SECONDS
    mkdir -p "$(cluster_dir)"
    chmod 700 var "$(cluster_dir)"
    cluster_ports
    step "starting three databases"
    cluster_databases_heal
    database_account "$(cluster_sockets "$(cluster_any)")" "$(cluster_secret password)" compadre_cluster
    cluster_redis_start
    cluster_proxy_start
    cluster_wait_writer
    cluster_app_prepare app1
    # One changes the schema, through the proxy like every other act.
    quietly "$(cluster_dir)/app1/log/migrate.log" house_artisan "$cluster_house/app1" migrate --force
    if [ -s "$(cluster_dir)/forget.tsv" ]; then
        house_artisan "$cluster_house/app1" compadre:forget-again "$(cluster_dir)/forget.tsv"
        rm -f "$(cluster_dir)/forget.tsv"
    fi
    quietly "$(cluster_dir)/app1/log/seed.log" house_artisan "$cluster_house/app1" compadre:seed-demo
    step "starting two installations of the app"
    for name in "${cluster_apps[@]}"; do cluster_app_start "$name"; done
    cluster_wait_served
    step "all is up after $((SECONDS - begun)) s"
    printf '\nThe house on several machines is at  http://127.0.0.1:%s\n' "$(cluster_port web)"
    # Who is in one that was put back has the passwords they had.
    [ -n "${cluster_was:-}" ] || house_artisan "$cluster_house/app1" compadre:sign-ins
}

cluster_made() { [ -s "$(cluster_dir)/ports" ] || fail "there is no cluster yet; run ./compadre cluster up first"; }

cluster_status() {
    local name state
    cluster_made
    for name in "${cluster_databases[@]}"; do
        if ! service_alive "$(cluster_dir "$name")" mariadb; then
            state="down"
        else
            state="$(cluster_said "$name" cluster_status), $(cluster_said "$name" local_state_comment), of $(cluster_said "$name" cluster_size), at $(cluster_said "$name" last_committed)"
        fi
        printf '%-6s %-8s %s\n' "$name" "$(cluster_port "$name-sql")" "$state"
    done
    for name in "${cluster_apps[@]}"; do
        printf '%-6s %-8s %s\n' "$name" "$(cluster_port "$name")" "$(curl -s --max-time 5 "http://127.0.0.1:$(cluster_port "$name")/api/ready" 2>/dev/null || echo down)"
    done
    printf '%-6s %-8s %s\n' redis "$(cluster_port redis)" "$(service_alive "$(cluster_dir redis)" redis && echo up || echo down)"
    printf '%-6s %-8s %s\n' proxy "$(cluster_port web)" "$(service_alive "$(cluster_dir proxy)" haproxy && echo "up, $(cluster_writer || true) is written to" || echo down)"
}

# cluster_kill NODE: as if its plug were pulled.
cluster_kill() {
    local dir part pid
    cluster_made
    case "${1:-}" in
        db[123] | app[12] | redis | proxy) ;;
        *) fail "kill takes one of db1, db2, db3, app1, app2, redis and proxy, not '${1:-}'" ;;
    esac
    dir="$(cluster_dir "$1")"
    for part in mariadb worker nginx fpm redis haproxy; do
        service_alive "$dir" "$part" || continue
        pid="$(cat "$dir/run/$part.pid")"
        # Whoever it started first, or they would go on without it.
        pkill -KILL -P "$pid" 2>/dev/null || true
        kill -KILL "$pid"
        service_sweep "$dir" "$part"
    done
    step "$1 is killed"
}

cluster_heal() {
    local name begun=$SECONDS
    cluster_made
    cluster_databases_heal
    cluster_redis_start
    service_alive "$(cluster_dir proxy)" haproxy || cluster_proxy_start
    cluster_wait_writer
    for name in "${cluster_apps[@]}"; do cluster_app_start "$name"; done
    cluster_wait_served
    step "all is back after $((SECONDS - begun)) s"
    cluster_status
}

cluster_app_stop() {
    local dir
    dir="$(cluster_dir "$1")"
    service_stop "$dir" worker TERM
    service_stop "$dir" nginx QUIT
    service_stop "$dir" fpm TERM
}

# cluster_app_leave NAME: until the proxy sends nobody to it any more.
cluster_app_leave() {
    touch "$(cluster_dir "$1")/storage/app/leaving"
    cluster_wait "the proxy still sends people to $1" cluster_app_is "$1" DOWN
}

# Each installation anew with the code as it is now, one after the other. One changes the schema before: the others go on writing to it
# as they know it.
cluster_update() {
    local name begun=$SECONDS
    cluster_made
    quietly "$(cluster_dir)/app1/log/migrate.log" house_artisan "$cluster_house/app1" migrate --force
    for name in "${cluster_apps[@]}"; do
        step "$name is brought up to date"
        if service_alive "$(cluster_dir "$name")" nginx; then cluster_app_leave "$name"; fi
        cluster_app_stop "$name"
        cluster_app_start "$name"
        cluster_wait "the proxy sends nobody to $name yet" cluster_app_is "$name" UP
    done
    step "all is up to date after $((SECONDS - begun)) s"
}

cluster_stop() {
    local name sockets last
    [ -d "$(cluster_dir)" ] || return 0
    last="$(cluster_writer)"
    for name in "${cluster_apps[@]}"; do cluster_app_stop "$name"; done
    # Whoever is written to goes last, and is the first to begin again.
    for name in $(printf '%s\n' "${cluster_databases[@]}" | grep -vx "${last:-none}") $last; do
        service_stop "$(cluster_dir "$name")" mariadb TERM
        service_stop "$(cluster_dir "$name")" health TERM
    done
    service_stop "$(cluster_dir redis)" redis TERM
    service_stop "$(cluster_dir proxy)" haproxy TERM
    for name in "${cluster_databases[@]}" "${cluster_apps[@]}" proxy; do
        sockets="$(cluster_sockets "$name")"
        [ -z "$sockets" ] || [ ! -d "$sockets" ] || rm -rf "$sockets"
        rm -f "$(cluster_dir "$name")/run/sockets"
    done
    step "the cluster is stopped"
}
