# Whose processes a house is. Started as root, nothing of a house runs as root: database, web server, PHP and jobs run as an account
# of their own that owns var/ and nothing else. The code is read-only to it.

house_account=compadre

# The folders on the way to this one, from the top.
account_way() {
    local way="" part
    IFS=/ read -ra parts <<<"${home#/}"
    for part in "${parts[@]}"; do
        way="$way/$part"
        printf '%s\n' "$way"
    done
}

# The first folder on the way here that the account cannot enter, or nothing.
account_blocked() {
    local folder
    while read -r folder; do
        setpriv --reuid="$house_account" --regid="$house_account" --clear-groups test -x "$folder" || { printf '%s\n' "$folder"; return; }
    done < <(account_way)
}

# Makes the account where it is missing, names a folder it cannot reach, and hands over what root made before.
account_prepare() {
    local blocked
    id -u "$house_account" >/dev/null 2>&1 || quietly .build/log/account.log bash -c 'umask 022; exec useradd "$@"' bash --system --user-group --home-dir "$home/var" --no-create-home --shell /usr/sbin/nologin "$house_account"
    blocked="$(account_blocked)"
    if [ -n "$blocked" ]; then
        [ "${1:-}" = or-root ] && return 1
        fail "Compadre runs as the account '$house_account' here, and that cannot enter $blocked. Let it: chmod o+x '$blocked'. Or put Compadre elsewhere, for example in /opt. Nothing was started."
    fi
    mkdir -p var
    chown "$house_account:" var
    chmod 700 var
    # What root made when it still ran houses itself; links are handed over as links.
    [ -z "$(find var ! -user "$house_account" -print -quit)" ] || chown -hR "$house_account:" var
}

# as_account COMMAND... : as the house's account where root runs this, else as whoever runs it.
as_account() {
    if [ "$(id -u)" = 0 ] && [ "${COMPADRE_AS_ROOT:-no}" = no ]; then
        HOME="$home/var" setpriv --reuid="$house_account" --regid="$house_account" --clear-groups --inh-caps=-all -- "$@"
    else
        "$@"
    fi
}

# A folder of the invoking user's own, for what is built and logged on the way: never under var/, where the account could lay a link.
build_folder() { mkdir -p .build/log .build/stamps; }
