# A group that moves from one installation to another, as a zip.

# along_ask WORDS: a password, from the terminal or else from standard input.
along_ask() {
    [ ! -t 0 ] || printf '%s' "$1" >&2
    IFS= read -rs along_word || true
    [ ! -t 0 ] || printf '\n' >&2
    [ -n "$along_word" ] || fail "a password is at least one sign long"
}

along_password() { printf '%s\n' "${along_word:-}"; }

# house_take HOUSE FILE [--locked] [--replace] [--yes]: says what it would do, asks, and does it.
house_take() {
    local house="$1" file="$2" word with=() yes=""
    shift 2
    for word in "$@"; do
        case "$word" in --yes) yes=yes ;; *) with+=("$word") ;; esac
    done
    along_password | house_artisan "$house" compadre:take "$file" "${with[@]}"
    if [ -z "$yes" ]; then
        printf 'Take it in? (yes or no) '
        read -r yes </dev/tty || true
        [ "$yes" = yes ] || { step "nothing was taken in"; return 0; }
    fi
    # What is here now can be had again.
    if [ "$(house_groups "$house")" != 0 ]; then
        house_backup "$house" "$(house_dir "$house")/backups/before-take-$(date +%Y-%m-%d-%H%M%S).7z" >/dev/null
    fi
    along_password | house_artisan "$house" compadre:take "$file" "${with[@]}" --yes
}

house_groups() { database_root "$(house_sockets "$1")" -N -e "select count(*) from \`$(house_database "$1")\`.\`groups\`"; }
