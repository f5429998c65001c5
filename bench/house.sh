# The house that a bench measures, begun by sourcing this: of its own, on loopback, removed at the end. Before, a bench may name
# bench_packages it needs besides, and bench_last, what it has to stop itself.
set -euo pipefail
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
umask 077
for part in say account packages build services database house backup; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
packages_need "${debian_run[@]}" "${bench_packages[@]}"
[ "${COMPADRE_BUILT:-no}" = yes ] || build_all
# Nothing of a house runs as root.
if [ "$(id -u)" = 0 ]; then
    account_prepare
    COMPADRE_BUILT=yes as_account bash "$home/bench/$(basename "$0")" "$@"
    exit
fi
dir="$(house_dir bench)"
work="$(mktemp -d)"
bench_end() {
    ! declare -F bench_last >/dev/null || bench_last
    house_stop bench
    rm -rf "$dir" "$work"
}
trap bench_end EXIT
house_stop bench 2>/dev/null || true
rm -rf "$dir"
house_start bench
address="http://127.0.0.1:$(house_setting "$dir" COMPADRE_PORT)"
sql() { database_root "$(cat "$dir/run/sockets")" -N compadre_bench "$@"; }

# bench_group LEARNERS [PHP]: a group with a lead, a usual rope and so many learners; then more of it, as $g.
bench_group() {
    house_artisan bench tinker --execute '$g = App\Models\Group::query()->create(["name" => "Gullwick Lantern Crew", "time_zone" => "UTC", "units" => "mm", "age_from" => 8, "age_to" => 13])->refresh();
        $g->ropes()->create(["name" => "Practice rope", "diameter_mm" => 10, "material" => "polyester", "is_usual" => true]);
        App\Models\User::query()->create(["name" => "Maren Holt", "email" => "maren@gullwick.example", "password" => "lantern-tail-77"])->memberships()->create(["group_id" => $g->id, "role" => "lead"]);
        app(App\Crew\AddLearners::class)($g, array_map(fn ($n) => Compadre\Core\Data\Fields::of(["name" => "Nell $n", "age_band" => "8-10"]), range(1, '"$1"'))); '"${2:-}" >/dev/null
}

# bench_knots NUMBER [CHECKED]: so many knots, one a line; with CHECKED only those that are dressed and have a tail.
bench_knots() {
    php -r 'require "vendor/autoload.php"; foreach (Compadre\Core\Knots\Library::at("packs")->all() as $id => $knot) if ($argv[1] === "" || $knot->hasDressing && $knot->hasTail) echo $id, "\n";' -- "${2:-}" | head -n "$1"
}

ask() { curl -s -b "$work/jar" -c "$work/jar" -H 'Accept: application/json' -H 'Content-Type: application/json' -H "Origin: $address" "$@"; }
token() { awk '/XSRF-TOKEN/ { print $7 }' "$work/jar" | sed 's/%3D/=/g'; }
bench_sign_in() {
    rm -f "$work/jar"
    # So many sign-ins from one address would be held up.
    sql -e 'delete from tries'
    ask "$address/sanctum/csrf-cookie"
    ask -H "X-XSRF-TOKEN: $(token)" -d "{\"email\":\"$1\",\"password\":\"lantern-tail-77\"}" -o /dev/null "$address/api/sign-in"
    cookies="$(awk '/\t/ { printf "%s%s=%s", n++ ? "; " : "", $6, $7 }' <(grep -v '^# ' "$work/jar" | sed 's/^#HttpOnly_//'))"
}

# What wrk sends: checks of chance learners and knots, one every tenth of a second on each phone, so many in a batch; or a body for the
# bare insert. It reads which learners and which knots from two files.
bench_load() {
    cat >"$work/load.lua" <<'LUA'
local work, size = os.getenv("BENCH_WORK"), tonumber(os.getenv("BENCH_SIZE") or "1")
local function lines(name) local all = {} for line in io.lines(work .. "/" .. name) do all[#all + 1] = line end return all end
local learners, knots = lines("learners"), lines("checked")
local seq, thread = 0, 0
function setup(one) thread = thread + 1; one:set("number", thread) end
local function moment(at) return os.date("!%Y-%m-%dT%H:%M:%S", math.floor(at)) .. string.format(".%dZ", math.floor(at * 10) % 10) end
function init() math.randomseed(os.time() * 10 + number); began = os.time() - 7200 base = string.format("%08x", math.random(0, 0x7fffffff)) end
local function event()
  seq = seq + 1
  return string.format('{"id":"%s-%04x-7%03x-8000-%012x","schema":1,"kind":"result","learner":"%s","knot":"%s","device":"bench-%d","device_seq":%d,"observed_at":"%s","tying":"yes","dressing":"%s","tail":"%s","how":"attested","prompts":0}',
    base, math.random(0, 0xffff), number, seq, learners[math.random(#learners)], knots[math.random(#knots)], number, seq, moment(began + seq / 10), "yes", "yes")
end
function request()
  local events = {}
  for n = 1, size do events[n] = event() end
  local body = '{"sent_at":"' .. moment(os.time()) .. '","events":[' .. table.concat(events, ",") .. "]}"
  if os.getenv("BENCH_BARE") then body = '{"learner":"' .. learners[math.random(#learners)] .. '","seen":' .. event() .. "}" end
  return wrk.format("POST", nil, nil, body)
end
LUA
    sql -e "select id from learners where group_id = '$1'" >"$work/learners"
    bench_knots 40 checked >"$work/checked"
}

# What the database has computed so far, in hundredths of a second.
database_took() { awk '{ print $14 + $15 }' "/proc/$(cat "$dir/run/mariadb.pid")/stat"; }

# rate SECONDS PATH [LUA]: requests a second over four connections, the median of three runs; refused answers end the bench. With
# BENCH_FRESH, before_run is run before each. In the file took stands for each run what the database computed, and how many it was.
rate() {
    local out was each
    for _ in 1 2 3; do
        [ -z "${BENCH_FRESH:-}" ] || before_run
        was="$(database_took)"
        out="$(BENCH_WORK="$work" wrk -t4 -c4 -d"${1}s" --timeout 30s -H "Cookie: $cookies" -H "X-XSRF-TOKEN: $(token)" -H "Origin: $address" -H 'Accept: application/json' -H 'Content-Type: application/json' ${3:+-s "$3"} "$address$2")"
        if grep -q 'Non-2xx' <<<"$out"; then echo "$out" >&2; fail "not every answer was a good one"; fi
        each="$(awk '/Requests\/sec/ { print $2 }' <<<"$out")"
        echo "$(($(database_took) - was)) $each" >>"$work/took"
        echo "$each"
    done | sort -n | sed -n 2p
}
ratio() { awk -v a="$1" -v b="$2" 'BEGIN { printf "%.2f", a / b }'; }
