# The private MariaDB of a house.

# By itself it lets its group read its files.
export UMASK=0600 UMASK_DIR=0700

database_prepare() {
    local dir="$1" sockets="$2" dbport="$3"
    mkdir -p "$dir/tmp"
    render ops/conf/mariadb.cnf DIR="$dir" SOCKETS="$sockets" DBPORT="$dbport" >"$dir/run/mariadb.cnf"
    [ -d "$dir/mysql/mysql" ] && return
    step "making the database"
    mkdir -p "$dir/mysql"
    quietly "$dir/log/mariadb-install.log" mariadb-install-db --defaults-file="$dir/run/mariadb.cnf" --user="$(id -un)" \
        --auth-root-authentication-method=normal --skip-test-db
}

start_database() {
    local dir="$1"
    service_alive "$dir" mariadb && return
    setsid mariadbd --defaults-file="$dir/run/mariadb.cnf" --user="$(id -un)" \
        </dev/null >>"$dir/log/mariadb.out" 2>&1 7>&- 9>&- &
}

# As the database's own root, over the private socket.
database_root() {
    local sockets="$1"
    shift
    mariadb --no-defaults --protocol=socket --socket="$sockets/mariadb.sock" -u root "$@"
}

database_wait() {
    local dir="$1" sockets="$2" tries=0
    until database_root "$sockets" -e 'select 1' >/dev/null 2>&1; do
        tries=$((tries + 1))
        if [ $tries -gt 300 ]; then
            tail -n 20 "$dir/log/mariadb.err" >&2
            fail "the database did not answer within 60 s; see $dir/log/mariadb.err"
        fi
        sleep 0.2
    done
}

# The application's account, allowed just its own databases.
database_account() {
    local sockets="$1" password="$2" name
    shift 2
    {
        # Root is for the private socket alone.
        echo "delete from mysql.global_priv where User in ('root', '') and Host <> 'localhost';"
        echo "flush privileges;"
        echo "create user if not exists compadre@'127.0.0.1' identified by '$password';"
        echo "alter user compadre@'127.0.0.1' identified by '$password';"
        for name in "$@"; do
            echo "create database if not exists \`$name\`;"
            echo "grant all on \`$name\`.* to compadre@'127.0.0.1';"
        done
    } | database_root "$sockets"
}
