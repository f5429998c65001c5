# Drawings from the command line.

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
