# Words on the terminal.

step() { printf '  %s\n' "$*" >&2; }
fail() {
    printf 'compadre: %s\n' "$*" >&2
    exit 1
}

# quietly LOG COMMAND... : runs it with its output in LOG, and shows the end of LOG if it fails.
quietly() {
    local log="$1"
    shift
    mkdir -p "$(dirname "$log")"
    if ! "$@" >"$log" 2>&1; then
        tail -n 30 "$log" >&2
        fail "'$*' failed; the whole output is in $log"
    fi
}
