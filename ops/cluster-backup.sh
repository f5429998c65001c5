# What a cluster can be put back from, to any moment: a whole copy now and then, and in between the log of all that was written, piece by
# piece as it is closed. All of it is locked with six words (see backup.sh), and lies beside the cluster, not in it.
#
# Every database numbers what is written alike, so a piece of the log is as good from one as from another: each is named by the first and
# the last number in it. A cluster that was put back goes on with numbers of its own, under another history.

cluster_kept() { echo "$home/var/$cluster_house-kept"; }

# The domain that the databases number in; what one does for itself alone is numbered in another.
cluster_numbers=1-1

cluster_history() {
    local file
    file="$(cluster_dir)/history"
    [ -s "$file" ] || od -An -N6 -tx1 /dev/urandom | tr -d ' \n' >"$file"
    cat "$file"
}

# One that is in and not written to; else whichever is in.
cluster_reader() {
    local name writer
    writer="$(cluster_writer)"
    for name in "${cluster_databases[@]}"; do
        if [ "$name" != "$writer" ] && cluster_is_joined "$name"; then
            echo "$name"
            return
        fi
    done
    cluster_any
}

# cluster_lock FOLDER FILE: much, and often, so pressed only a little.
cluster_lock() { backup_pressed=1 backup_lock "$(cluster_dir)" "$1" "$2" .; }

# The numbers in a piece of the log, one a line, in their order.
cluster_numbered() { mariadb-binlog "$@" | sed -n "s/^#.*[[:space:]]GTID $cluster_numbers-\([0-9]*\).*/\1/p"; }

cluster_keep_prepare() {
    [ -n "$(cluster_any)" ] || fail "no database is in; run ./compadre cluster heal first"
    mkdir -p "$(cluster_kept)/$(cluster_history)"
    chmod 700 "$(cluster_kept)"
    backup_words_made "$(cluster_dir)"
    # Whoever was erased stays so, whatever is put back.
    cp "$(cluster_kept)/gone.tsv" "$(cluster_dir)/gone.tsv" 2>/dev/null || true
    backup_keep_gone "$(cluster_dir)" "$(cluster_sockets "$1")" compadre_cluster
    cp "$(cluster_dir)/gone.tsv" "$(cluster_kept)/gone.part"
    mv "$(cluster_kept)/gone.part" "$(cluster_kept)/gone.tsv"
}

# A whole copy, made ready to be started from.
cluster_backup() {
    local name work file at
    cluster_made
    name="$(cluster_reader)"
    cluster_keep_prepare "$name"
    work="$(backup_work "$(cluster_dir "$name")")"
    mkdir "$work/copy"
    quietly "$(cluster_dir "$name")/log/backup.log" mariadb-backup --defaults-file="$(cluster_dir "$name")/run/mariadb.cnf" --backup --galera-info \
        --user=root --socket="$(cluster_sockets "$name")/mariadb.sock" --target-dir="$work/copy/mysql"
    quietly "$(cluster_dir "$name")/log/backup.log" mariadb-backup --prepare --target-dir="$work/copy/mysql"
    at="$(tr ',' '\n' <"$work/copy/mysql/xtrabackup_binlog_info" | sed -n "s/.*\b$cluster_numbers-\([0-9]*\).*/\1/p" | tail -n 1)"
    [ -n "$at" ] || fail "the copy does not say how far it goes; nothing was written"
    # What was locked with the house's key is of no use without it.
    cp "$(cluster_dir)/key" "$work/copy/key"
    printf 'format 1\nhistory %s\nat %s\n' "$(cluster_history)" "$at" >"$work/copy/about.txt"
    file="$(cluster_kept)/compadre-$(date -u +%Y-%m-%d-%H%M%S).7z"
    cluster_lock "$work/copy" "$file"
    rm -rf "$work"
    cluster_log >/dev/null
    echo "$file"
}

# What was written since, from every database that is in; to be asked for every few minutes.
cluster_log() {
    local name dir piece work numbers file
    cluster_made
    cluster_keep_prepare "$(cluster_any)"
    for name in "${cluster_databases[@]}"; do
        cluster_is_joined "$name" || continue
        dir="$(cluster_dir "$name")"
        cluster_sql "$name" -e 'flush local binary logs'
        # All but the last, which it goes on writing.
        while read -r piece; do
            grep -qxF "$piece $(stat -c '%s %Y' "$dir/log/$piece")" "$dir/log/pieces" 2>/dev/null && continue
            numbers="$(cluster_numbered "$dir/log/$piece" | sed -n '1p;$p' | paste -sd-)"
            file="$(cluster_kept)/$(cluster_history)/$numbers.7z"
            if [ -n "$numbers" ] && [ ! -f "$file" ]; then
                work="$(backup_work "$dir")"
                cp "$dir/log/$piece" "$work/piece"
                cluster_lock "$work" "$file"
                rm -rf "$work"
            fi
            echo "$piece $(stat -c '%s %Y' "$dir/log/$piece")" >>"$dir/log/pieces"
        done < <(cluster_sql "$name" -e 'show binary logs' | cut -f1 | head -n -1)
    done
    echo "$(cluster_kept)/$(cluster_history)"
}

# cluster_place PIECE NUMBER: where in it that number begins.
cluster_place() { mariadb-binlog "$1" | awk -v number="$cluster_numbers-$2" '/^# at / { at = $3 } /^#.*\tGTID / { for (n = 1; n < NF; n++) if ($n == "GTID" && $(n + 1) == number) print at }'; }

# cluster_pieces FOLDER AT: the pieces that lead on from a number without a gap, each as far as any does.
cluster_pieces() {
    local at="$2" file first last best most
    while true; do
        best="" most="$at"
        for file in "$1"/*-*.7z; do
            [ -f "$file" ] || continue
            first="$(basename "$file" .7z)" last="${first#*-}" first="${first%-*}"
            if [ "$first" -le $((at + 1)) ] && [ "$last" -gt "$most" ]; then best="$file" most="$last"; fi
        done
        [ -n "$best" ] || return 0
        echo "$at $best"
        at="$most"
    done
}

# cluster_restore FILE [UNTIL]: into an empty cluster, with all that was written since, or all until a moment ('2026-12-01 19:04:00', UTC).
cluster_restore() {
    local file="${1:-}" until="${2:-}" dir work at history words
    [ -f "$file" ] || fail "restore needs a copy that backup wrote; there is no file '$file'"
    [ -z "$until" ] || date -u -d "$until" >/dev/null 2>&1 || fail "the moment to go back to is a date and a time in UTC, like '2026-12-01 19:04:00', not '$until'"
    [ ! -d "$(cluster_dir db1)/mysql" ] && [ ! -d "$(cluster_dir db2)/mysql" ] && [ ! -d "$(cluster_dir db3)/mysql" ] ||
        fail "there is a cluster already, in $(cluster_dir): what is put back goes into an empty one. Stop it, and move that folder away; nothing was changed"
    dir="$(cluster_dir db1)"
    mkdir -p "$dir"
    chmod 700 var "$(cluster_dir)"
    work="$(backup_work "$dir")"
    # shellcheck disable=SC2064
    trap "rm -rf '$work'" EXIT
    printf 'The six words of this backup: ' >&2
    IFS= read -rs words || true
    printf '\n' >&2
    mkdir "$work/copy"
    7zz x -y -bso0 -bsp0 -o"$work/copy" "$file" <<<"$words" >/dev/null 2>&1 && [ -d "$work/copy/mysql" ] || fail "'$file' does not open with these words, is damaged, or is no copy of a cluster; nothing was changed"
    history="$(sed -n 's/^history //p' "$work/copy/about.txt")" at="$(sed -n 's/^at //p' "$work/copy/about.txt")"
    cluster_log_open "$(dirname "$file")/$history" "$at" "$until" "$work" "$words"
    cluster_ports
    cp "$work/copy/key" "$(cluster_dir)/key"
    printf '%s\n' "$words" >"$(cluster_dir)/backup-words"
    cp "$(dirname "$file")/gone.tsv" "$(cluster_dir)/forget.tsv" 2>/dev/null || true
    mv "$work/copy/mysql" "$dir/mysql"
    cluster_replay "$work"
    rm -rf "$work"
    cluster_was=restored cluster_up
    printf '\nPut back from %s, %s.\n' "$file" "$([ -n "$until" ] && echo "until $until" || echo "with all that was kept since")"
}

# The log from a number on, as statements in WORK, held to have no gap before its end or the moment that is asked for.
cluster_log_open() {
    local folder="$1" at="$2" until="$3" work="$4" words="$5" from piece reached="$2" most written
    : >"$work/written.sql"
    while read -r from piece; do
        reached="$(basename "$piece" .7z)" reached="${reached#*-}"
        rm -f "$work/piece"
        7zz x -y -bso0 -bsp0 -o"$work" "$piece" piece <<<"$words" >/dev/null 2>&1 || fail "'$piece' does not open with these words, or is damaged; nothing was changed"
        TZ=UTC mariadb-binlog --do-domain-ids="${cluster_numbers%-*}" --start-position="$(cluster_place "$work/piece" $((from + 1)))" ${until:+--stop-datetime="$(date -u -d "$until" '+%F %T')"} "$work/piece" >>"$work/written.sql" ||
            fail "'$piece' could not be read; nothing was changed"
    done < <(cluster_pieces "$folder" "$at")
    sed -n "s/^#\([0-9]\{6\} *[0-9:]*\) .*[[:space:]]GTID $cluster_numbers-\([0-9]*\).*/\2 \1/p" "$work/written.sql" >"$work/numbers"
    awk -v at="$at" '$1 != ++at { exit 1 }' "$work/numbers" || fail "what was kept in $folder does not follow on; nothing was changed"
    written="$(tail -n 1 "$work/numbers" | cut -d ' ' -f 1)"
    most="$(find "$folder" -name '*-*.7z' 2>/dev/null | sed 's/.*-\([0-9]*\)\.7z$/\1/' | sort -n | tail -n 1)"
    if [ "${written:-$at}" = "$reached" ] && [ "${most:-0}" -gt "$reached" ]; then
        fail "what was kept in $folder has a gap after $(tail -n 1 "$work/numbers" | cut -d ' ' -f 2-): find the piece that follows, or ask for a moment up to then. Nothing was changed"
    fi
}

# By one database that is nobody's peer yet, and writes no log of it.
cluster_replay() {
    local work="$1" dir
    dir="$(cluster_dir db1)"
    cluster_database_prepare db1
    step "what was written since is written again"
    setsid mariadbd --defaults-file="$dir/run/mariadb.cnf" --wsrep-on=OFF --wsrep-provider=none --skip-log-bin --skip-networking </dev/null >>"$dir/log/mariadb.out" 2>&1 7>&- 9>&- &
    echo $! >"$dir/run/mariadb.pid"
    database_wait "$dir" "$(cluster_sockets db1)"
    database_root "$(cluster_sockets db1)" <"$work/written.sql" || fail "what was written could not be written again; see $dir/log/mariadb.err"
    service_stop "$dir" mariadb TERM
}
