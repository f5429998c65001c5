# A house: the demo, the real group, or the tests. All of this runs as the house's account (ops/account.sh).

house_port_start() {
    case "$1" in demo) echo 8420 ;; group) echo 8520 ;; *) echo 8620 ;; esac
}

secret() { head -c 64 /dev/urandom | sha256sum | cut -c "1-${1:-32}"; }

# The house's settings. Made once, then kept: ports are chosen anew only when one is taken and the
# service that would use it is down.
house_env() {
    local house="$1" dir="$2" web db password key start name office="" secret=""
    start="$(house_port_start "$house")"
    web="$(house_setting "$dir" COMPADRE_PORT)"
    db="$(house_setting "$dir" DB_PORT)"
    password="$(house_setting "$dir" DB_PASSWORD)"
    key="$(house_setting "$dir" APP_KEY)"
    # A restore puts another schema in its place.
    name="$(house_setting "$dir" DB_DATABASE)"
    # Where the demo's award office is: a stand-in of its own.
    if house_has_office "$house"; then
        office="$(house_setting "$dir" COMPADRE_OFFICE_PORT)"
        secret="$(house_setting "$dir" COMPADRE_OFFICE_SECRET)"
        secret="${secret:-$(secret)}"
        service_alive "$dir" office || office="$(port_from "${office:-$((start + 90))}")"
    fi
    service_alive "$dir" nginx || web="$(port_from "${web:-$start}")"
    service_alive "$dir" mariadb || db="$(port_from "${db:-$((start + 50))}")"
    render ops/conf/env HOUSE="$house" DATABASE="${name:-compadre_$house}" DIR="$dir" PORT="$web" DBPORT="$db" LAN="$([ -f "$dir/run/lan.conf" ] && cat "$dir/lan/domains")" \
        PUBLIC="$(house_setting "$dir" COMPADRE_PUBLIC_ADDRESS)" PASSWORD="${password:-$(secret)}" OFFICE="$office" OFFICESECRET="$secret" REDIS= REDISPASSWORD= KEY="${key:-base64:$(head -c 32 /dev/urandom | base64)}" >"$dir/env.part"
    mv "$dir/env.part" "$dir/env"
}

house_has_office() { [ "$1" = demo ] || [ "$1" = test ]; }

# The schema a house's rows are in.
house_database() { house_setting "$(house_dir "$1")" DB_DATABASE; }

# house_setting DIR NAME: one line of the house's settings, or nothing.
house_setting() { sed -n "s/^$2='\(.*\)'$/\1/p" "$1/env" 2>/dev/null || true; }

house_artisan() {
    local house="$1"
    shift
    house_artisan_on "$house" "" "$@"
}

# The same, on another schema than the house's own.
house_artisan_on() {
    local house="$1" schema="$2" dir
    shift 2
    dir="$(house_dir "$house")"
    [ -f "$dir/env" ] || fail "the $house has not been started yet; run ./compadre up$([ "$house" = group ] && echo ' --empty') first"
    (
        # shellcheck source=/dev/null
        set -a; source "$dir/env"; set +a
        # A kept configuration would name the house's own.
        [ -z "$schema" ] || export DB_DATABASE="$schema" APP_CONFIG_CACHE="$dir/cache/none.php"
        [ -z "${house_anew:-}" ] || export APP_CONFIG_CACHE="$house_anew/config.php" APP_ROUTES_CACHE="$house_anew/routes.php"
        php -d zend.exception_ignore_args=On artisan "$@"
    )
}

# Puts settings and routes together for the web server: one that is running reads the old ones or the new ones, never half of them.
house_settle() {
    local dir kept before house_anew
    dir="$(house_dir "$1")"
    house_anew="$dir/cache/anew"
    mkdir -p "$house_anew"
    quietly "$dir/log/config.log" house_artisan "$1" config:cache
    quietly "$dir/log/routes.log" house_artisan "$1" route:cache
    for kept in config.php routes.php; do
        # It tells new ones from old ones by their time, in whole seconds.
        before="$(stat -c %Y "$dir/cache/$kept" 2>/dev/null || echo 0)"
        [ "$(stat -c %Y "$house_anew/$kept")" != "$before" ] || touch -d "@$((before + 1))" "$house_anew/$kept"
        mv -f "$house_anew/$kept" "$dir/cache/$kept"
    done
}

# Starts what is not running and waits until it answers.
house_start() {
    local house="$1" dir sockets port tries=0
    dir="$(house_dir "$house")"
    chmod 700 var
    mkdir -p "$dir"/{run,log,cache,storage/{app,logs,framework/{cache/data,sessions,views}}}
    sockets="$(socket_dir "$dir")"
    service_sweep "$dir" nginx
    service_sweep "$dir" fpm
    house_env "$house" "$dir"
    port="$(house_setting "$dir" COMPADRE_PORT)"
    database_prepare "$dir" "$sockets" "$(house_setting "$dir" DB_PORT)"
    start_database "$dir"
    database_wait "$dir" "$sockets"
    if [ "$house" = test ]; then
        database_account "$sockets" "$(house_setting "$dir" DB_PASSWORD)" compadre_test compadre_feature compadre_upgrade compadre_plans
    else
        database_account "$sockets" "$(house_setting "$dir" DB_PASSWORD)" "$(house_database "$house")"
    fi
    house_settle "$house"
    quietly "$dir/log/migrate.log" house_artisan "$house" migrate --force
    start_fpm "$dir" "$sockets"
    start_nginx "$dir" "$sockets" "$port"
    until curl -fsS -o /dev/null "http://127.0.0.1:$port/up" 2>/dev/null; do
        tries=$((tries + 1))
        [ $tries -gt 150 ] && fail "nothing answers at http://127.0.0.1:$port; see $dir/log"
        sleep 0.2
    done
    if house_has_office "$house"; then start_office "$dir"; fi
    start_worker "$house"
}

# All drawings ahead, so that the first to open one does not wait.
house_warm() { quietly "$2/log/warm.log" house_artisan "$1" compadre:warm; }

house_up() {
    local house="$1" dir port
    step "starting the $house"
    dir="$(house_dir "$house")"
    # Without --lan nobody on the network is answered, whatever a run before has left.
    house_leave_network "$dir"
    house_start "$house"
    house_sweep_strays "$house"
    port="$(house_setting "$dir" COMPADRE_PORT)"
    house_warm "$house" "$dir"
    if [ "$house" = demo ]; then
        quietly "$dir/log/seed.log" house_artisan demo compadre:seed-demo
        printf '\nThe demo is at  http://127.0.0.1:%s\n' "$port"
        house_artisan demo compadre:sign-ins
    else
        backup_sweep_work "$dir"
        find "$dir/backups" -name '*.sql.gz' 2>/dev/null | grep -q . && touch "$dir/storage/app/sweep-due"
        house_daily_dump "$house"
        start_keeper "$house"
        printf '\nYour group is at  http://127.0.0.1:%s\n' "$port"
        house_artisan "$house" compadre:setup-state
    fi
}

house_stop() {
    local house="$1" dir sockets
    dir="$(house_dir "$house")"
    [ -d "$dir/run" ] || return 0
    service_stop "$dir" keeper TERM
    service_stop "$dir" worker TERM
    service_stop "$dir" office TERM
    service_stop "$dir" nginx QUIT
    service_stop "$dir" fpm TERM
    service_stop "$dir" mariadb TERM
    sockets="$(cat "$dir/run/sockets" 2>/dev/null || true)"
    if [ -n "$sockets" ] && [ -d "$sockets" ]; then
        rm -f "$sockets"/*.sock*
        rmdir "$sockets" 2>/dev/null || true
    fi
    rm -f "$dir/run/sockets" "$dir/run/lan.conf"
    step "the $house is stopped"
}

# Rebuilds the demo's data, and nothing else.
house_fresh() {
    local dir
    dir="$(house_dir demo)"
    service_alive "$dir" mariadb || fail "the demo is not running; run ./compadre up first"
    quietly "$dir/log/fresh.log" house_artisan demo migrate:fresh --force
    quietly "$dir/log/seed.log" house_artisan demo compadre:seed-demo
    house_artisan demo compadre:sign-ins
}

# The private socket of a house that runs.
house_sockets() {
    local dir
    dir="$(house_dir "$1")"
    service_alive "$dir" mariadb || fail "your group's database is not running; run ./compadre up --empty first"
    cat "$dir/run/sockets"
}

# No listener on the network, and none that the web server of a crashed run would bring back.
house_leave_network() {
    local dir="$1"
    [ -f "$dir/run/lan.conf" ] || return 0
    rm -f "$dir/run/lan.conf"
    service_stop "$dir" nginx QUIT
    service_stop "$dir" fpm TERM
}

# What a restore that was killed has left beside the house's own schema.
house_sweep_strays() {
    local house="$1" dir sockets name
    dir="$(house_dir "$house")"
    sockets="$(house_sockets "$house")"
    exec 7>"$dir/run/restore.lock"
    if flock -n 7; then
        for name in $(database_root "$sockets" -N -e "select schema_name from information_schema.schemata where schema_name like 'compadre\_${house}%'"); do
            [ "$name" = "$(house_database "$house")" ] || database_root "$sockets" -e "drop database \`$name\`"
        done
    fi
    exec 7>&-
}

# Beside a group that is served: after somebody was erased, makes the dumps under its folder anew without them. The folder is named
# so that the process is known for this house's.
house_keeper() {
    local house="$1" dir="$2"
    echo $$ >"$dir/run/keeper.pid"
    while service_alive "$dir" mariadb; do
        if [ -e "$dir/storage/app/sweep-due" ]; then (house_sweep "$house") || true; fi
        sleep 3 &
        wait $!
    done
}

# Does the long work of a house.
house_worker() { worker_rounds "$2" service_alive "$2" mariadb; }

# worker_rounds DIR WHILE... : in rounds of a minute, as long as WHILE holds: each begins with what nobody was woken for, with the code as it
# is by then. It comes to its end with what it is at, or soon.
worker_rounds() {
    local dir="$1" child=""
    shift
    trap 'worker_end "$child"; exit 0' TERM
    while "$@"; do
        worker_does "$dir" compadre:sweep-work --quiet &
        child=$!
        wait "$child" || true
        worker_does "$dir" queue:work --sleep=1 --max-time=60 --quiet &
        child=$!
        # Where it does not run at all, not in a whirl.
        wait "$child" || sleep 1 || true
    done
}

worker_does() {
    local dir="$1"
    shift
    # shellcheck source=/dev/null
    set -a; source "$dir/env"; set +a
    exec php -d zend.exception_ignore_args=On artisan "$@"
}

worker_end() {
    local tries=0
    [ -n "$1" ] || return 0
    kill -TERM "$1" 2>/dev/null || return 0
    while [ -d "/proc/$1" ] && [ $tries -lt 100 ]; do
        sleep 0.1
        tries=$((tries + 1))
    done
    # What it was at is taken up again.
    kill -KILL "$1" 2>/dev/null || true
}

start_keeper() {
    local dir
    dir="$(house_dir "$1")"
    service_alive "$dir" keeper && return
    setsid bash ops/house-do.sh house_keeper "$1" "$dir" </dev/null >>"$dir/log/keeper.out" 2>&1 7>&- 9>&- &
}

house_logs() {
    local house
    for house in demo group; do
        [ -d "var/$house" ] || continue
        printf '%s\n' "var/$house/log/nginx.err" "var/$house/log/php-fpm.err" "var/$house/log/mariadb.err" "var/$house/storage/logs/laravel-$(date +%Y-%m-%d).log"
    done
}
