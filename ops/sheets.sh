# Pictures: drawings from the command line, and the screens of the demo.

knot_draw() {
    packages_need php8.2-cli php8.2-mbstring
    php core/bin/draw "$@"
}

knot_sheet() {
    packages_need php8.2-cli php8.2-mbstring chromium
    local folder="${1:-$home/var/sheet}"
    mkdir -p "$folder"
    php core/bin/draw --sheet >"$folder/sheet.html"
    echo "$folder/sheet.html"
}

demo_screenshots() {
    local dir driver driver_port result=0
    dir="$(house_dir demo)"
    service_alive "$dir" nginx || fail "the demo is not running; run ./compadre up first"
    packages_need "${debian_test[@]}"
    driver_port="$(port_from 9615)"
    chromedriver --port="$driver_port" >var/log/chromedriver.log 2>&1 &
    driver=$!
    until ! port_free "$driver_port"; do sleep 0.1; done
    php ops/screenshots.php "http://127.0.0.1:$(house_setting "$dir" COMPADRE_PORT)" "$dir/storage/app/demo-password" \
        "http://127.0.0.1:$driver_port" "$home/docs/screenshots" || result=$?
    kill "$driver"
    return "$result"
}
