# A house: the demo, the real group, or the tests.

house_port_start() {
    case "$1" in demo) echo 8420 ;; group) echo 8520 ;; *) echo 8620 ;; esac
}

secret() { head -c 64 /dev/urandom | sha256sum | cut -c "1-${1:-32}"; }

# The house's settings. Made once, then kept: ports are chosen anew only when one is taken and the
# service that would use it is down.
house_env() {
    local house="$1" dir="$2" web db password key start
    start="$(house_port_start "$house")"
    web="$(house_setting "$dir" COMPADRE_PORT)"
    db="$(house_setting "$dir" DB_PORT)"
    password="$(house_setting "$dir" DB_PASSWORD)"
    key="$(house_setting "$dir" APP_KEY)"
    service_alive "$dir" nginx || web="$(port_from "${web:-$start}")"
    service_alive "$dir" mariadb || db="$(port_from "${db:-$((start + 50))}")"
    (
        umask 077
        render ops/conf/env HOUSE="$house" DIR="$dir" PORT="$web" DBPORT="$db" LAN="$([ -f "$dir/run/lan.conf" ] && cat "$dir/lan/domains")" \
            PASSWORD="${password:-$(secret)}" KEY="${key:-base64:$(head -c 32 /dev/urandom | base64)}" >"$dir/env.part"
        mv "$dir/env.part" "$dir/env"
    )
    [ "$(id -u)" = 0 ] && chown "$(service_user)" "$dir/env"
    return 0
}

# house_setting DIR NAME: one line of the house's settings, or nothing.
house_setting() { sed -n "s/^$2='\(.*\)'$/\1/p" "$1/env" 2>/dev/null || true; }

house_artisan() {
    local house="$1"
    shift
    local dir
    dir="$(house_dir "$house")"
    [ -f "$dir/env" ] || fail "the $house has not been started yet; run ./compadre up$([ "$house" = group ] && echo ' --empty') first"
    (
        # shellcheck source=/dev/null
        set -a; source "$dir/env"; set +a
        php artisan "$@"
    )
}

# Starts what is not running and waits until it answers.
house_start() {
    local house="$1" dir sockets port settings tries=0
    dir="$(house_dir "$house")"
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
        database_account "$sockets" "$(house_setting "$dir" DB_PASSWORD)" compadre_test compadre_feature compadre_upgrade
    else
        database_account "$sockets" "$(house_setting "$dir" DB_PASSWORD)" "compadre_$house"
    fi
    # Settings kept from last time may name a port that is another's by now.
    settings="$(stat -c %Y "$dir/cache/config.php" 2>/dev/null || echo 0)"
    rm -f "$dir/cache/config.php" "$dir/cache/routes.php"
    quietly "$dir/log/migrate.log" house_artisan "$house" migrate --force
    quietly "$dir/log/config.log" house_artisan "$house" config:cache
    # A web server that was running all along tells new settings from old ones by their time, in whole seconds.
    [ "$(stat -c %Y "$dir/cache/config.php")" != "$settings" ] || touch -d "@$((settings + 1))" "$dir/cache/config.php"
    quietly "$dir/log/routes.log" house_artisan "$house" route:cache
    [ "$(id -u)" = 0 ] && chown -R "$(service_user)" "$dir/storage" "$dir/cache" "$dir/log"
    start_fpm "$dir" "$sockets"
    start_nginx "$dir" "$sockets" "$port"
    until curl -fsS -o /dev/null "http://127.0.0.1:$port/up" 2>/dev/null; do
        tries=$((tries + 1))
        [ $tries -gt 150 ] && fail "nothing answers at http://127.0.0.1:$port; see $dir/log"
        sleep 0.2
    done
}

house_up() {
    local house="$1" dir port
    packages_need "${debian_run[@]}"
    build_all
    step "starting the $house"
    house_start "$house"
    dir="$(house_dir "$house")"
    port="$(house_setting "$dir" COMPADRE_PORT)"
    quietly "$dir/log/warm.log" house_artisan "$house" compadre:warm
    [ "$(id -u)" = 0 ] && chown -R "$(service_user)" "$dir/storage"
    if [ "$house" = demo ]; then
        quietly "$dir/log/seed.log" house_artisan demo compadre:seed-demo
        printf '\nThe demo is at  http://127.0.0.1:%s\n' "$port"
        house_artisan demo compadre:sign-ins
    else
        house_daily_dump
        printf '\nYour group is at  http://127.0.0.1:%s\n' "$port"
        house_artisan group compadre:setup-state
    fi
}

house_stop() {
    local house="$1" dir sockets
    dir="$(house_dir "$house")"
    [ -d "$dir/run" ] || return 0
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

house_group_sockets() {
    local dir
    dir="$(house_dir group)"
    service_alive "$dir" mariadb || fail "your group's database is not running; run ./compadre up --empty first"
    cat "$dir/run/sockets"
}

house_backup() {
    local file="${1:-}" sockets
    sockets="$(house_group_sockets)"
    [ -n "$file" ] || file="$home/var/group/backups/compadre-$(date +%Y-%m-%d-%H%M%S).sql.gz"
    mkdir -p "$(dirname "$file")"
    database_dump "$sockets" compadre_group "$file"
    echo "$file"
}

# A dump a day at start, and the seven newest of them kept. Dumps made by hand are never removed.
house_daily_dump() {
    local folder file
    folder="$(house_dir group)/backups/daily"
    file="$folder/$(date +%Y-%m-%d).sql.gz"
    mkdir -p "$folder"
    [ -f "$file" ] || database_dump "$(house_group_sockets)" compadre_group "$file"
    find "$folder" -name '*.sql.gz' | sort -r | tail -n +8 | xargs -r rm -f
}

house_restore() {
    local file="${1:-}" sockets kept gone
    [ -n "$file" ] || fail "restore needs the file that backup wrote"
    [ -f "$file" ] || fail "there is no file '$file'"
    gzip -t "$file" 2>/dev/null || fail "'$file' is not a backup: it is not gzip, or it is damaged; nothing was changed"
    gzip -dc "$file" | tail -n 3 | grep -q 'Dump completed' || fail "'$file' is not a whole backup: its end is missing; nothing was changed"
    sockets="$(house_group_sockets)"
    kept="$(house_dir group)/backups/before-restore-$(date +%Y-%m-%d-%H%M%S).sql.gz"
    database_dump "$sockets" compadre_group "$kept"
    step "the state before is kept in $kept"
    # Who was removed since that backup stays removed.
    gone="$(mktemp)"
    database_root "$sockets" -N compadre_group -e 'select id, group_id, into_id from gone_learners' >"$gone" 2>/dev/null || true
    # Read into a second database first, so that a file that breaks off changes nothing.
    database_root "$sockets" -e 'drop database if exists compadre_incoming; create database compadre_incoming'
    gzip -dc "$file" | database_root "$sockets" compadre_incoming || fail "'$file' could not be read in; nothing was changed"
    database_root "$sockets" -e 'drop database compadre_incoming; drop database compadre_group; create database compadre_group'
    gzip -dc "$file" | database_root "$sockets" compadre_group
    house_artisan group migrate --force >/dev/null
    house_artisan group compadre:forget-again "$gone"
    rm -f "$gone"
    echo "restored from $file"
}

house_logs() {
    local house
    for house in demo group; do
        [ -d "var/$house" ] || continue
        printf '%s\n' "var/$house/log/nginx.err" "var/$house/log/php-fpm.err" "var/$house/log/mariadb.err" "var/$house/storage/logs/laravel.log"
    done
}
