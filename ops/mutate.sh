#!/usr/bin/env bash
# Mutation testing of the knot engine, outside the tests: changes the code a little, again and again, and counts the changes
# that no test notices. Takes the better part of an hour.
set -euo pipefail
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
for part in say packages build; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
packages_need "${debian_run[@]}" php8.2-pcov
build_composer
# Two folders that the plugins expect to be there.
mkdir -p bootstrap/cache vendor/pestphp/pest-plugin-mutate/.temp/mutations
mkdir -p .build/mutate
for room in Topology Mistakes; do
    # The coverage driver guesses where the code lies, and guesses wrong; what is not watched runs at full speed.
    {
        # It slows everything down, so it may well be switched off for all else.
        php -m | grep -qx pcov || echo 'extension = pcov'
        printf 'pcov.directory = %s/core/src/Knots/%s\n' "$home" "$room"
    } >.build/mutate/pcov.ini
    PHP_INI_SCAN_DIR=":$home/.build/mutate" vendor/bin/pest -c phpunit.mutate.xml --testsuite="$room" --exclude-group=long --mutate --everything --path="core/src/Knots/$room"
done
