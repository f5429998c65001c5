# What has to be on the machine before anything is built.

debian_run=(
    php8.2-cli php8.2-fpm php8.2-mysql php8.2-mbstring php8.2-intl php8.2-xml php8.2-curl php8.2-zip
    php8.2-opcache php8.2-gd librsvg2-bin mariadb-server mariadb-client nginx composer unzip curl procps 7zip util-linux
)
debian_test=(chromium chromium-driver poppler-utils)

# The given Debian packages that are not installed, one a line. A command that is there already counts.
packages_missing() {
    local package
    for package in "$@"; do
        [ "$package" = composer ] && command -v composer >/dev/null && continue
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q '^install ok installed' || echo "$package"
    done
}

# Debian starts a service as soon as its package is installed. Ours run on their own, so the
# package's are told not to; a policy that is already there is left alone.
packages_install() {
    local policy=/usr/sbin/policy-rc.d made=no result=0
    if [ ! -e "$policy" ]; then
        printf '#!/bin/sh\nexit 101\n' >"$policy"
        chmod +x "$policy"
        made=yes
    fi
    (
        umask 022
        apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -yq --no-install-recommends "$@"
    ) || result=$?
    [ "$made" = yes ] && rm -f "$policy"
    return "$result"
}

packages_need() {
    local missing
    mapfile -t missing < <(packages_missing "$@")
    [ ${#missing[@]} -eq 0 ] && return
    if [ "$(id -u)" != 0 ]; then
        fail "these Debian packages are missing; run this line, then try again:
    sudo apt-get install -y --no-install-recommends ${missing[*]}"
    fi
    step "installing Debian packages: ${missing[*]}"
    quietly .build/log/packages.log packages_install "${missing[@]}"
}

packages_need_node() {
    local major
    major="$(node --version 2>/dev/null | sed 's/^v\([0-9]*\).*/\1/')"
    if [ "${major:-0}" -lt 20 ] || ! command -v npm >/dev/null; then
        fail "Node 20 or newer with npm is needed to build the screens (found: $(node --version 2>/dev/null || echo none)). Install it from nodejs.org or your distribution, then try again."
    fi
}
