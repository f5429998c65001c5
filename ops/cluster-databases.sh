# The databases of a cluster (see cluster.sh): begun, joined, asked how far they have come, and brought back.

cluster_databases=(db1 db2 db3)
cluster_provider=/usr/lib/galera/libgalera_smm.so

cluster_members() {
    local name
    for name in "${cluster_databases[@]}"; do printf '127.0.0.1:%s,' "$(cluster_port "$name-group")"; done | sed 's/,$//'
}

cluster_database_prepare() {
    local name="$1" dir sockets
    dir="$(cluster_dir "$name")"
    mkdir -p "$dir"/{run,log}
    sockets="$(socket_dir "$dir")"
    database_prepare "$dir" "$sockets" "$(cluster_port "$name-sql")"
    render ops/conf/galera.cnf NAME="$name" DIR="$dir" NUMBER="1${name#db}" PROVIDER="$cluster_provider" MEMBERS="$(cluster_members)" GROUPPORT="$(cluster_port "$name-group")" \
        MISSEDPORT="$(cluster_port "$name-missed")" STATEPORT="$(cluster_port "$name-state")" >>"$dir/run/mariadb.cnf"
}

# cluster_reached NAME: how far a database that is down has come, as ID:NUMBER, and what its log of what is written ends with.
cluster_reached() {
    local dir found
    dir="$(cluster_dir "$1")"
    found="$(mariadbd --defaults-file="$dir/run/mariadb.cnf" --user="$(id -un)" --log-error="$dir/log/recover.err" --wsrep-recover >/dev/null 2>&1 \
        ; sed -n 's/.*Recovered position: *//p' "$dir/log/recover.err" 2>/dev/null | tail -n 1)"
    echo "${found:-00000000-0000-0000-0000-000000000000:-1}"
}

# cluster_database_start NAME [FIRST]: one that is prepared; with FIRST it begins the cluster, else it joins it.
cluster_database_start() {
    local name="$1" first=() dir at
    dir="$(cluster_dir "$name")"
    service_alive "$dir" mariadb && return
    at="$(cluster_reached "$name")"
    if [ -n "${2:-}" ]; then
        first=(--wsrep-new-cluster)
        # Which one may begin is decided here, by how far each has come.
        [ ! -f "$dir/mysql/grastate.dat" ] || sed -i 's/^safe_to_bootstrap:.*/safe_to_bootstrap: 1/' "$dir/mysql/grastate.dat"
    fi
    setsid mariadbd --defaults-file="$dir/run/mariadb.cnf" --user="$(id -un)" --wsrep-start-position="$at" "${first[@]}" \
        </dev/null >>"$dir/log/mariadb.out" 2>&1 7>&- 9>&- &
    # It writes this itself only once it has caught up.
    echo $! >"$dir/run/mariadb.pid"
}

# Answers the proxy, which a database cannot: whether it may be written to.
cluster_health_start() {
    local dir
    dir="$(cluster_dir "$1")"
    service_alive "$dir" health && return
    COMPADRE_SOCKET="$(cluster_sockets "$1")/mariadb.sock" COMPADRE_DATA="$dir" COMPADRE_SCHEMA=compadre_cluster setsid php -d error_log="$dir/log/health.err" -d max_execution_time=3 \
        -S "127.0.0.1:$(cluster_port "$1-health")" ops/health.php </dev/null >/dev/null 2>&1 7>&- 9>&- &
    echo $! >"$dir/run/health.pid"
}

cluster_sql() {
    local name="$1"
    shift
    database_root "$(cluster_sockets "$name")" -N "$@"
}

# cluster_said NAME VARIABLE: what a database says of itself, or nothing where it does not answer.
cluster_said() { cluster_sql "$1" --connect-timeout=2 -e "show global status like 'wsrep_$2'" 2>/dev/null | cut -f 2 || true; }

cluster_is_joined() { [ "$(cluster_said "$1" ready)" = ON ] && [ "$(cluster_said "$1" cluster_status)" = Primary ] && [ "$(cluster_said "$1" local_state_comment)" = Synced ]; }

cluster_wait_joined() {
    local name="$1" tries=0 dead=0
    until cluster_is_joined "$name"; do
        tries=$((tries + 1))
        # Once it has caught up it writes its number anew: for a moment there is none.
        if service_alive "$(cluster_dir "$name")" mariadb; then dead=0; else dead=$((dead + 1)); fi
        if [ $tries -gt 600 ] || [ $dead -gt 25 ]; then
            tail -n 20 "$(cluster_dir "$name")/log/mariadb.err" >&2
            fail "$name has not joined; see $(cluster_dir "$name")/log/mariadb.err"
        fi
        sleep 0.2
    done
}

# The first of the databases that are in, or nothing.
cluster_any() {
    local name
    for name in "${cluster_databases[@]}"; do
        if cluster_is_joined "$name"; then
            echo "$name"
            return
        fi
    done
}

# Brings every database that is not in back: where none is, from the one that has come furthest.
cluster_databases_heal() {
    local name at best="" most=-2
    for name in "${cluster_databases[@]}"; do cluster_database_prepare "$name"; done
    if [ -z "$(cluster_any)" ]; then
        for name in "${cluster_databases[@]}"; do
            if service_alive "$(cluster_dir "$name")" mariadb; then
                # Cut off from the others: what it was sent it has, or has in order.
                at="$(cluster_said "$name" cluster_state_uuid):$(cluster_said "$name" last_committed)"
            else
                at="$(cluster_reached "$name")"
            fi
            step "$name has come to $at"
            # After a comma the same is said once more, as the log of what is written numbers it.
            at="${at%%,*}" at="${at##*:}"
            if [[ "$at" =~ ^-?[0-9]+$ ]] && [ "$at" -gt "$most" ]; then
                most="$at" best="$name"
            fi
        done
        [ -n "$best" ] || fail "no database says how far it has come; see $(cluster_dir)/db1/log/mariadb.err"
        if service_alive "$(cluster_dir "$best")" mariadb; then
            step "$best goes on by itself"
            cluster_sql "$best" -e "set global wsrep_provider_options = 'pc.bootstrap=1'"
        else
            # One that runs with less than this one has would not let it in.
            for name in "${cluster_databases[@]}"; do
                service_stop "$(cluster_dir "$name")" mariadb KILL
            done
            step "$best begins"
            cluster_database_start "$best" first
        fi
        cluster_wait_joined "$best"
    fi
    for name in "${cluster_databases[@]}"; do
        cluster_health_start "$name"
        if ! cluster_is_joined "$name"; then
            step "$name joins"
            cluster_database_start "$name"
            cluster_wait_joined "$name"
        fi
    done
}
