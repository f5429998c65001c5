# Pictures: drawings from the command line, and the screens of the demo.

knot_draw() {
    packages_need php8.2-cli php8.2-mbstring
    php core/bin/draw "$@"
}

pack_texts() {
    packages_need php8.2-cli php8.2-mbstring php8.2-intl
    php core/bin/texts "$@"
}

knot_relax() {
    packages_need php8.2-cli php8.2-mbstring
    php core/bin/relax "$@"
}

knot_tighten() {
    packages_need php8.2-cli php8.2-mbstring php8.2-opcache
    php core/bin/tighten "$@"
}

knot_sheet() {
    packages_need php8.2-cli php8.2-mbstring chromium
    local folder="${1:-$home/.build/sheet}"
    mkdir -p "$folder"
    php core/bin/draw --sheet >"$folder/sheet.html"
    local profile height
    profile="$(mktemp -d)"
    # Four cells of 300 px and their gaps a row; a row is about 290 px high.
    height=$(($(grep -c '<h2>' "$folder/sheet.html") * 60 + $(grep -c '<figure>' "$folder/sheet.html") * 110 + 400))
    quietly .build/log/sheet.log chromium --headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking \
        --disable-component-update --disable-sync --hide-scrollbars --user-data-dir="$profile" --window-size="1280,$height" \
        --screenshot="$folder/sheet.png" "file://$(realpath "$folder")/sheet.html"
    rm -rf "$profile"
    printf '%s\n' "$folder/sheet.html" "$folder/sheet.png"
}

demo_screenshots() {
    local dir driver driver_port result=0
    dir="$(house_dir demo)"
    service_alive "$dir" nginx || fail "the demo is not running; run ./compadre up first"
    packages_need "${debian_test[@]}"
    driver_port="$(port_from 9615)"
    driver_start "$driver_port"
    php ops/screenshots.php "http://127.0.0.1:$(house_setting "$dir" COMPADRE_PORT)" "$dir/storage/app/demo-password" \
        "http://127.0.0.1:$driver_port" "$home/docs/screenshots" || result=$?
    kill "$driver"
    return "$result"
}
