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
# The coverage driver guesses where the code lies, and guesses wrong.
mkdir -p var/mutate
printf 'pcov.directory = %s/core/src\n' "$home" >var/mutate/pcov.ini
export PHP_INI_SCAN_DIR=":$home/var/mutate"
for room in "${1:-Topology}" "${2:-Mistakes}"; do
    vendor/bin/pest -c phpunit.mutate.xml --testsuite="$room" --mutate --everything --path="core/src/Knots/$room" --parallel --processes="$(nproc)"
done
