# Backups: what a group keeps, in one locked file that people can open without Compadre (7z, AES-256, names hidden), and back again.
# Children's data never lies in the clear: the six words that lock it are kept 0600 beside the live data, for the daily dump, and are
# handed over on standard input only.

# Tables whose rows open doors, or are no longer true tomorrow: a backup has the tables, not what is in them.
backup_emptied=(sessions resets remotes invitations places remembered devices tries)

backup_random_words() { tr -s ' ' '\n' <ops/words.txt | shuf --random-source=/dev/urandom -n 6 | paste -sd' '; }

# The words, made when they are first needed and shown that once.
backup_words_made() {
    local dir="$1"
    [ -s "$dir/backup-words" ] && return
    backup_random_words >"$dir/backup-words.part"
    mv "$dir/backup-words.part" "$dir/backup-words"
    printf '\nBackups of this group are locked with these six words. Write them down, they are shown only now:\n\n    %s\n\n' "$(cat "$dir/backup-words")" >&2
}

# New words for every later backup; those that lie here already are locked anew.
house_new_words() {
    local house="$1" dir old
    dir="$(house_dir "$house")"
    [ -d "$dir/mysql" ] || fail "there is no group here yet; run ./compadre up --empty first"
    old="$(cat "$dir/backup-words" 2>/dev/null || true)"
    rm -f "$dir/backup-words"
    backup_words_made "$dir"
    [ -n "$old" ] || return 0
    local file work
    while read -r file; do
        work="$(backup_work "$dir")"
        backup_open "$file" "$work" <<<"$old" && backup_lock "$dir" "$work" "$file" "${backup_parts[@]}"
        rm -rf "$work"
    done < <(find "$dir/backups" -name '*.7z')
}

# A private folder for what is in the clear on its way; nothing of it outlives the command.
backup_work() {
    mkdir -p "$1/run"
    mktemp -d "$1/run/backup.XXXXXX"
}

# What a kill has left in the clear goes at the next start.
backup_sweep_work() { rm -rf "$1"/run/backup.?????? "$1"/run/carried.??????; }

# database_sql SOCKETS NAME FILE: the rows as SQL, whole or not at all.
database_sql() {
    local sockets="$1" name="$2" file="$3" empty=() table
    for table in "${backup_emptied[@]}"; do empty+=("--ignore-table-data=$name.$table"); done
    mariadb-dump --no-defaults --protocol=socket --socket="$sockets/mariadb.sock" -u root --single-transaction --hex-blob --add-drop-table --skip-triggers "${empty[@]}" "$name" >"$file" || {
        rm -f "$file"
        fail "$name could not be read; nothing was written"
    }
    tail -n 3 "$file" | grep -q 'Dump completed' || { rm -f "$file"; fail "the dump of $name broke off; nothing was written"; }
}

# Who was erased, and whose access has ended: as the database has it, and as it stood beside it before.
backup_gone() {
    local dir="$1" sockets="$2" name="$3"
    {
        cat "$dir/gone.tsv" 2>/dev/null || true
        database_root "$sockets" -N "$name" -e "select 'learner', id, group_id, coalesce(into_id, '') from gone_learners union all select 'person', user_id, group_id, '' from memberships where until is not null" 2>/dev/null || true
    } | sort -u
}

# Keeps that list beside the database.
backup_keep_gone() {
    local dir="$1"
    backup_gone "$@" >"$dir/gone.tsv.part"
    mv "$dir/gone.tsv.part" "$dir/gone.tsv"
}

# What a backup is made of.
backup_parts=(compadre.sql gone.tsv about.txt)

# backup_lock FOLDER WORK FILE PART... : the parts of WORK as one file, whole or not at all, locked with the words that FOLDER has.
backup_lock() {
    local work="$2" file words
    words="$(cat "$1/backup-words")"
    file="$(realpath -m "$3")"
    shift 3
    rm -f "$file.part"
    (cd "$work" && printf '%s\n%s\n' "$words" "$words" | 7zz a -t7z -mhe=on -mx="${backup_pressed:-5}" -p -bso0 -bsp0 "$file.part" "$@") >/dev/null || { rm -f "$file.part"; fail "$file could not be locked; nothing was written"; }
    printf '%s\n' "$words" | 7zz t -bso0 -bsp0 "$file.part" >/dev/null 2>&1 || { rm -f "$file.part"; fail "$file could not be read back; nothing was written"; }
    chmod 600 "$file.part"
    mv "$file.part" "$file"
}

# backup_open FILE WORK <words: its parts in WORK; fails where the words are wrong or it is no backup.
backup_open() { 7zz x -y -bso0 -bsp0 -o"$2" "$1" "${backup_parts[@]}" >/dev/null 2>&1 && [ -f "$2/compadre.sql" ] && [ -f "$2/gone.tsv" ]; }

# house_backup HOUSE [FILE]
house_backup() {
    local house="$1" file="${2:-}" dir sockets name work
    dir="$(house_dir "$house")"
    sockets="$(house_sockets "$house")"
    name="$(house_database "$house")"
    backup_words_made "$dir"
    [ -n "$file" ] || file="$dir/backups/compadre-$(date +%Y-%m-%d-%H%M%S).7z"
    case "$file" in *.7z) ;; *) fail "backups are locked 7z files: name it '$file.7z'" ;; esac
    mkdir -p "$(dirname "$file")"
    work="$(backup_work "$dir")"
    backup_keep_gone "$dir" "$sockets" "$name"
    database_sql "$sockets" "$name" "$work/compadre.sql"
    cp "$dir/gone.tsv" "$work/gone.tsv"
    printf 'format 1\nday %s\n' "$(date +%Y-%m-%d)" >"$work/about.txt"
    backup_lock "$dir" "$work" "$file" "${backup_parts[@]}"
    rm -rf "$work"
    backup_note_elsewhere "$dir" "$file"
    echo "$file"
}

# Copies that lie elsewhere are beyond reach when somebody is erased: where they were written is kept, to be told then.
backup_note_elsewhere() {
    local dir="$1" file
    file="$(realpath "$2")"
    case "$file" in "$(realpath "$dir")"/*) return ;; esac
    mkdir -p "$dir/backups"
    { cat "$dir/backups/elsewhere.txt" 2>/dev/null || true; printf '%s\n' "$file"; } | sort -u >"$dir/backups/elsewhere.part"
    mv "$dir/backups/elsewhere.part" "$dir/backups/elsewhere.txt"
}

# A dump a day at start, and the seven newest of them kept. Dumps made by hand are never removed.
house_daily_dump() {
    local house="$1" folder file
    folder="$(house_dir "$house")/backups/daily"
    file="$folder/$(date +%Y-%m-%d).7z"
    mkdir -p "$folder"
    [ -f "$file" ] || house_backup "$house" "$file" >/dev/null
    find "$folder" -name '*.7z' | sort -r | tail -n +8 | xargs -r rm -f
}

# backup_unpack HOUSE FILE WORK: compadre.sql in WORK, and gone.tsv where the file has one. Takes today's locked files and the plain
# ones of before.
backup_unpack() {
    local dir file="$2" work="$3" words
    dir="$(house_dir "$1")"
    if [ "$(head -c 6 "$file" | od -An -tx1 | tr -d ' \n')" = 377abcaf271c ]; then
        [ -s "$dir/backup-words" ] && backup_open "$file" "$work" <"$dir/backup-words" && return
        rm -f "$work"/*.sql "$work"/*.tsv
        printf 'The six words of this backup: ' >&2
        IFS= read -rs words || true
        printf '\n' >&2
        backup_open "$file" "$work" <<<"$words" || fail "'$file' does not open with these words, or is damaged; nothing was changed"
    elif gzip -t "$file" 2>/dev/null; then
        gzip -dc "$file" >"$work/compadre.sql"
    else
        fail "'$file' is not a backup: it is neither a locked one nor a plain one of before, or it is damaged; nothing was changed"
    fi
    tail -n 3 "$work/compadre.sql" | grep -q 'Dump completed' || fail "'$file' is not a whole backup: its end is missing; nothing was changed"
}

# The day a dump was made, as it says itself.
backup_day() {
    local day
    day="$(sed -n 's/^day //p' "$1/about.txt" 2>/dev/null || true)"
    [ -n "$day" ] || day="$(tail -n 3 "$1/compadre.sql" | sed -n 's/.*Dump completed on \([0-9-]*\).*/\1/p')"
    printf '%s' "${day:-an unknown day}"
}

# backup_read_in SOCKETS SCHEMA SQL: into a schema of its own, by an account that may do nothing else, in a client that obeys no
# commands of the file's.
backup_read_in() {
    local sockets="$1" schema="$2" sql="$3" password result=0
    password="$(secret)"
    database_root "$sockets" <<SQL
drop database if exists \`$schema\`;
create database \`$schema\` character set utf8mb4 collate utf8mb4_unicode_ci;
create or replace user compadre_restore@localhost identified by '$password';
grant select, insert, create, drop, alter, index, references, lock tables on \`$schema\`.* to compadre_restore@localhost;
SQL
    MYSQL_PWD="$password" mariadb --no-defaults --protocol=socket --socket="$sockets/mariadb.sock" -u compadre_restore \
        --sandbox --local-infile=0 --skip-reconnect --default-character-set=utf8mb4 "$schema" <"$sql" >"$(dirname "$sql")/read-in.log" 2>&1 || result=$?
    database_root "$sockets" -e 'drop user if exists compadre_restore@localhost'
    return "$result"
}

# backup_rebuild HOUSE WORK SCHEMA FILE: reads a dump in beside what there is, brings it up to today, and holds it against what a
# schema of today has, table by table. Fails, and leaves nothing behind, where it holds anything else.
backup_rebuild() {
    local house="$1" work="$2" schema="$3" file="$4" dir sockets why
    dir="$(house_dir "$house")"
    sockets="$(house_sockets "$house")"
    if ! backup_read_in "$sockets" "$schema" "$work/compadre.sql"; then
        why="$(grep -m1 -i error "$work/read-in.log" | cut -c1-200 || true)"
        database_root "$sockets" -e "drop database if exists \`$schema\`"
        fail "'$file' could not be read in; nothing was changed. It holds what no backup of Compadre does: $why"
    fi
    database_account "$sockets" "$(house_setting "$dir" DB_PASSWORD)" "$(house_database "$house")" "$schema" "${schema}_like"
    if ! { house_artisan_on "$house" "${schema}_like" migrate:fresh --force && house_artisan_on "$house" "$schema" compadre:hold-restored "${schema}_like" --before &&
        house_artisan_on "$house" "$schema" migrate --force && house_artisan_on "$house" "$schema" compadre:hold-restored "${schema}_like"; } >"$work/rebuild.log" 2>&1; then
        why="$(sed -n 's/^ *refused: //p' "$work/rebuild.log" | head -n 1)"
        database_root "$sockets" -e "drop database if exists \`$schema\`; drop database if exists \`${schema}_like\`"
        fail "'$file' is not a backup of a group; nothing was changed. ${why:-$(grep -v '^ *$' "$work/rebuild.log" | tail -n 2 | cut -c1-200)}"
    fi
    database_root "$sockets" -e "drop database if exists \`${schema}_like\`"
}

# house_restore HOUSE FILE [LIST]: LIST is a newer backup or list of who was erased since, or "none".
house_restore() {
    local house="$1" file="${2:-}" list="${3:-}" dir sockets work schema day before kept
    [ -n "$file" ] || fail "restore needs the file that backup wrote"
    [ -f "$file" ] || fail "there is no file '$file'"
    dir="$(house_dir "$house")"
    sockets="$(house_sockets "$house")"
    before="$(house_database "$house")"
    exec 7>"$dir/run/restore.lock"
    flock -n 7 || fail "a restore is under way already; nothing was changed"
    backup_words_made "$dir"
    work="$(backup_work "$dir")"
    # shellcheck disable=SC2064
    trap "rm -rf '$work'" EXIT
    backup_unpack "$house" "$file" "$work"
    day="$(backup_day "$work")"
    schema="compadre_${house}_$(date +%s)"
    backup_rebuild "$house" "$work" "$schema" "$file"
    backup_gone "$dir" "$sockets" "$before" >"$work/known.tsv"
    backup_choose_list "$house" "$work" "$schema" "$before" "$day" "$list" || { database_root "$sockets" -e "drop database \`$schema\`"; exit 1; }
    house_artisan_on "$house" "$schema" compadre:forget-again "$work/known.tsv"
    # From here on nobody writes: what phones send now they keep, and send again.
    service_stop "$dir" worker TERM
    service_stop "$dir" fpm QUIT
    kept="$dir/backups/before-restore-$(date +%Y-%m-%d-%H%M%S).7z"
    house_backup "$house" "$kept" >/dev/null
    step "the state before is kept in $kept"
    sort -u "$work/known.tsv" "$dir/gone.tsv" >"$work/all.tsv"
    # What was erased while the dump was read in.
    house_artisan_on "$house" "$schema" compadre:forget-again "$work/all.tsv"
    mv "$work/all.tsv" "$dir/gone.tsv"
    # The one step: before it the house is as it was, after it as it was restored.
    house_point_at "$dir" "$schema"
    rm -rf "$work"
    house_start "$house"
    database_root "$sockets" -e "drop database if exists \`$before\`"
    echo "restored from $file, of $day"
}

# Decides by what list people stay erased: this house's own where it is this group's; else one that is given, or the word that there is none.
backup_choose_list() {
    local house="$1" work="$2" schema="$3" before="$4" day="$5" list="$6" other
    [ ! -f "$work/gone.tsv" ] || cat "$work/gone.tsv" >>"$work/known.tsv"
    if [ "$(database_root "$(house_sockets "$house")" -N -e "select count(*) from \`$before\`.\`groups\` a join \`$schema\`.\`groups\` b on a.id = b.id")" != 0 ]; then return; fi
    if grep -qF "$(database_root "$(house_sockets "$house")" -N -e "select id from \`$schema\`.\`groups\` limit 1")" "$(house_dir "$house")/gone.tsv" 2>/dev/null; then return; fi
    case "$list" in
        none) ;;
        "")
            printf '%s\n' "compadre: this backup is of $day, and this laptop has no list of who was erased since: they would come back." \
                "Have you a newer backup of this group, from this or another laptop? Then name it, and they stay erased:" \
                "    ./compadre restore BACKUP --erased NEWER-BACKUP" \
                "If there is none:  ./compadre restore BACKUP --erased none" "Nothing was changed." >&2
            return 1
            ;;
        *)
            [ -f "$list" ] || { printf "compadre: there is no file '%s'; nothing was changed\n" "$list" >&2; return 1; }
            other="$(backup_work "$(house_dir "$house")")"
            if grep -qE '^(learner|person)	' "$list" 2>/dev/null; then cat "$list" >>"$work/known.tsv"; else
                backup_unpack "$house" "$list" "$other"
                [ -f "$other/gone.tsv" ] || { rm -rf "$other"; printf "compadre: '%s' is a backup of before and has no such list; nothing was changed\n" "$list" >&2; return 1; }
                cat "$other/gone.tsv" >>"$work/known.tsv"
            fi
            rm -rf "$other"
            ;;
    esac
}

# Points the house at another schema, in one step.
house_point_at() {
    sed "s/^DB_DATABASE='.*'$/DB_DATABASE='$2'/" "$1/env" >"$1/env.part"
    mv "$1/env.part" "$1/env"
}

# After somebody was erased: every dump under the house's folder that still has them is made anew without them, and a plain one of
# before becomes a locked one.
house_sweep() {
    local house="$1" dir sockets file work schema clean
    dir="$(house_dir "$house")"
    sockets="$(house_sockets "$house")"
    rm -f "$dir/storage/app/sweep-due"
    backup_words_made "$dir"
    backup_keep_gone "$dir" "$sockets" "$(house_database "$house")"
    while read -r file; do
        work="$(backup_work "$dir")"
        schema="compadre_${house}_sweep"
        clean="${file%.sql.gz}"
        clean="${clean%.7z}.7z"
        # One that does not open stays as it is, and is named.
        if ! (backup_unpack "$house" "$file" "$work" </dev/null) 2>>"$dir/log/sweep.log"; then
            step "a backup could not be opened, and was left alone: $file"
        elif [ "$file" != "$clean" ] || cut -f2 "$dir/gone.tsv" | grep -qFf - "$work/compadre.sql"; then
            if (backup_rebuild "$house" "$work" "$schema" "$file") 2>>"$dir/log/sweep.log" && house_artisan_on "$house" "$schema" compadre:forget-again "$dir/gone.tsv" --quiet; then
                printf 'format 1\nday %s\n' "$(backup_day "$work")" >"$work/about.new"
                database_sql "$sockets" "$schema" "$work/compadre.sql"
                mv "$work/about.new" "$work/about.txt"
                cp "$dir/gone.tsv" "$work/gone.tsv"
                backup_lock "$dir" "$work" "$clean" "${backup_parts[@]}"
                [ "$file" = "$clean" ] || rm -f "$file"
            else
                step "a backup could not be made anew, and was left alone: $file"
            fi
            database_root "$sockets" -e "drop database if exists \`$schema\`"
        fi
        rm -rf "$work"
    done < <(find "$dir/backups" -name '*.7z' -o -name '*.sql.gz' 2>/dev/null)
}
