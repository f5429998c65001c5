#!/usr/bin/env bash
# Beside a group that is served: after somebody was erased, makes the dumps under its folder anew without them. keeper.sh HOUSE FOLDER
set -euo pipefail
umask 077
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
for part in say account packages build services database house backup lan; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
house="$1"
dir="$2"
echo $$ >"$dir/run/keeper.pid"
while service_alive "$dir" mariadb; do
    if [ -e "$dir/storage/app/sweep-due" ]; then (house_sweep "$house") || true; fi
    sleep 3 &
    wait $!
done
