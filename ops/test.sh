#!/usr/bin/env bash
# Sets up, checks and tests everything, with a database and ports of its own. The last line counts what passed.
# With a part (core, app, house, cluster, browser or web), only that part, and of it only the tests whose names hold what follows; with
# other arguments, only Pest, with those.
set -euo pipefail
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
umask 077
for part in say account packages build services database house backup cluster; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done

build_folder
exec 8>.build/test.lock
flock -n 8 || fail "a test run is under way in this folder already"

packages_need "${debian_run[@]}" "${debian_test[@]}" "${cluster_packages[@]}"
build_all
if [ "$(id -u)" != 0 ]; then
    mkdir -p var
    chmod 700 var
elif ! account_prepare or-root; then
    # The tests have nowhere else to be.
    step "no other account can enter this folder: the test house runs as root"
    mkdir -p var
    chown -hR root: var
    export COMPADRE_AS_ROOT=yes
fi

# With the compiler on, ropes in space are proven in a quarter of the time.
compiled=(-d opcache.enable_cli=1 -d opcache.jit=1255 -d opcache.jit_buffer_size=64M)

passed=0
failed=0
# What failed and is no test of Pest's, to be said again at the end.
failures=()
driver=""
beside=""
finish() {
    [ -z "$beside" ] || kill "$beside" $(pgrep -P "$beside") 2>/dev/null || true
    [ -z "$driver" ] || kill "$driver" 2>/dev/null || true
    as_account bash ops/house-do.sh house_stop test
    # Where it was broken off in the middle.
    COMPADRE_CLUSTER=cluster-test as_account bash ops/house-do.sh cluster_stop
}
trap finish EXIT

# check NAME COMMAND... : one check, counted as one test.
check() {
    local name="$1" log=".build/log/check-${1// /-}.log" started=$SECONDS
    shift
    if "$@" >"$log" 2>&1; then
        passed=$((passed + 1))
        step "ok      $name ($((SECONDS - started)) s)"
    else
        failed=$((failed + 1))
        failures+=("$name: $(tail -n 12 "$log")")
        tail -n 40 "$log" >&2
        step "FAILED  $name: $log"
    fi
}

types_current() {
    npx --no-install openapi-typescript api/openapi.yaml -o .build/schema.check.d.ts && cmp resources/js/api/schema.d.ts .build/schema.check.d.ts \
        && node ops/words.mjs | cmp resources/js/words/messages.d.ts - \
        && php ops/limits.php | cmp resources/js/api/limits.ts - && php ops/look.php .build/look \
        && cmp resources/js/drawing/look.ts .build/look/drawing/look.ts && cmp resources/js/palette.css .build/look/palette.css
}
compute_anywhere() { (cd / && "$home/core/bin/compute" --list >/dev/null); }

part="${1:-}"
case "$part" in
    core) set -- core/tests ${2:+--filter "$2"} ;;
    app) set -- tests/Feature tests/Arch ${2:+--filter "$2"} ;;
    house) set -- tests/House ${2:+--filter "$2"} ;;
    cluster) set -- tests/Cluster ${2:+--filter "$2"} ;;
    browser) set -- tests/Browser ${2:+--filter "$2"} ;;
    web) exec npx --no-install vitest run ${2:+-t "$2"} ;;
esac

# What the tools say of the code, each counted as one test.
check_code() {
    check "PHPStan on the core" vendor/bin/phpstan analyse -c phpstan.core.neon --no-progress --memory-limit=1G
    # The app is started to be looked at: what it writes then lies in the build folder.
    mkdir -p .build/stan/{logs,framework/{cache,views}}
    check "PHPStan on the app" env APP_PACKAGES_CACHE="$home/.build/stan/packages.php" APP_SERVICES_CACHE="$home/.build/stan/services.php" \
        LARAVEL_STORAGE_PATH="$home/.build/stan" vendor/bin/phpstan analyse -c phpstan.app.neon --no-progress --memory-limit=1G
    check "the arrows between rooms" vendor/bin/phpstan analyse -c phpstan.rooms.neon --no-progress --memory-limit=1G
    check "Rector" vendor/bin/rector process --dry-run --no-progress-bar
    check "Pint" vendor/bin/pint --test
    check "TypeScript" npm run --silent check
    check "ESLint" npm run --silent lint
    check "the arrows between screens" npm run --silent rooms
    check "Prettier" npm run --silent format
    check "the screens by themselves" npm run --silent unit
    check "what is generated for the screens" types_current
    check "compute from anywhere" compute_anywhere
}

if [ "$part" = core ]; then
    trap - EXIT
    exec php "${compiled[@]}" vendor/bin/pest "$@"
fi

step "starting the test house"
as_account rm -rf var/test/storage/framework/cache
as_account bash ops/house-do.sh house_start test
driver_port="$(port_from 9515)"
driver_start "$driver_port"

export COMPADRE_TEST_HOUSE="$home/var/test"
export COMPADRE_TEST_DRIVER="http://127.0.0.1:$driver_port"
COMPADRE_TEST_URL="http://127.0.0.1:$(house_setting var/test COMPADRE_PORT)"
export COMPADRE_TEST_URL

# pests LANE ARGUMENTS... : a run of Pest, the core's with PHP's compiler on, whose counts lie in the lane's report when it is done.
pests() {
    local report="$home/.build/log/pest-$1.xml" result=0 with=()
    case "$1" in core | space) with=("${compiled[@]}") ;; esac
    shift
    rm -f "$report"
    php "${with[@]}" vendor/bin/pest --log-junit "$report" "$@" || result=$?
    # A run that broke off before its end has failed even if no test did.
    [ "$result" -eq 0 ] || echo "$result" >"$report.broken"
}
count() {
    local report="$home/.build/log/pest-$1.xml" counts
    counts="$(php ops/count-tests.php "$report")"
    passed=$((passed + ${counts% *}))
    failed=$((failed + ${counts#* }))
    [ "${counts#* }" -eq 0 ] && [ -e "$report.broken" ] || return 0
    failed=$((failed + 1))
    failures+=("the lane $1 ended with $(cat "$report.broken")")
}

rm -f .build/log/pest-*.xml.broken
if [ $# -ne 0 ]; then
    pests part "$@"
    count part
else
    # Browsers and houses wait for much: what only computes is done meanwhile, and what they found is said after it.
    { pests browser tests/Browser; pests houses tests/House tests/Cluster; } >.build/log/pest-beside.log 2>&1 &
    beside=$!
    check_code
    mapfile -t other_rooms < <(find core/tests -mindepth 1 -maxdepth 1 -type d ! -name Space | sort)
    # In a process of its own: the compiler stops at a thousand loops, and the other tests have as many before these come.
    pests space core/tests/Space
    pests core "${other_rooms[@]}"
    pests app tests/Arch tests/Feature
    step "waiting for the browsers and the houses"
    wait "$beside"
    cat .build/log/pest-beside.log
    for lane in space core app browser houses; do count "$lane"; done
fi

[ "$failed" -eq 0 ] || php ops/failed-tests.php .build/log/pest-*.xml
for failure in ${failures[@]+"${failures[@]}"}; do printf 'failed: %s\n' "$failure"; done
printf '%d passed, %d failed\n' "$passed" "$failed"
[ "$failed" -eq 0 ]
