#!/usr/bin/env bash
# What a check-off, a batch and the board cost, against the least they could: bench/field.sh [SECONDS, 30 by default]
# A house of its own is started on loopback, filled, measured with wrk (4 connections, median of 3 runs) and removed again.
set -euo pipefail
home="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$home"
umask 077
for part in say account packages build services database house backup; do
    # shellcheck source=/dev/null
    source "ops/$part.sh"
done
seconds="${1:-30}"
packages_need "${debian_run[@]}" wrk
[ "${COMPADRE_BUILT:-no}" = yes ] || build_all
# Nothing of a house runs as root.
if [ "$(id -u)" = 0 ]; then
    account_prepare
    COMPADRE_BUILT=yes as_account bash "$home/bench/field.sh" "$@"
    exit
fi
dir="$(house_dir bench)"
work="$(mktemp -d)"
finish() { house_stop bench; rm -rf "$dir" "$work"; }
trap finish EXIT
house_stop bench 2>/dev/null || true
rm -rf "$dir"
house_start bench
address="http://127.0.0.1:$(house_setting "$dir" COMPADRE_PORT)"
sql() { database_root "$(cat "$dir/run/sockets")" -N compadre_bench "$@"; }

step "filling a group of 40 learners by 40 knots"
sql -e 'create table bench_rows (id char(36) primary key, learner char(36), seen text, index (learner))'
house_artisan bench tinker --execute '$g = App\Models\Group::query()->create(["name" => "Gullwick Lantern Crew", "time_zone" => "UTC", "units" => "mm", "age_from" => 8, "age_to" => 13])->refresh(); $g->ropes()->create(["name" => "Practice rope", "diameter_mm" => 10, "material" => "polyester", "is_usual" => true]); foreach (["lantern-hand", "rigger", "green-captain"] as $b) { $g->badges()->create(["badge" => $b]); } App\Models\User::query()->create(["name" => "Maren Holt", "email" => "maren@gullwick.example", "password" => "lantern-tail-77"])->memberships()->create(["group_id" => $g->id, "role" => "lead"]); app(App\Crew\AddLearners::class)($g, array_map(fn ($n) => Compadre\Core\Data\Fields::of(["name" => "Nell $n", "age_band" => "8-10"]), range(1, 40)));' >/dev/null
# Forty knots: all that are taught, and some of the mistakes, which the board shows as well once somebody has met them.
php -r 'require "vendor/autoload.php"; foreach (array_slice(Compadre\Core\Knots\Library::at("packs")->all(), 0, 40, true) as $id => $knot) echo $id, "\n";' >"$work/knots"
# Checks are sent for those of them that are dressed and have a tail.
php -r 'require "vendor/autoload.php"; foreach (array_slice(Compadre\Core\Knots\Library::at("packs")->all(), 0, 40, true) as $id => $knot) if ($knot->hasDressing && $knot->hasTail) echo $id, "\n";' >"$work/checked"
sql -e 'create table bench_knots (knot varchar(60))'
sed "s/.*/insert into bench_knots values ('&');/" "$work/knots" | sql
# standings LEARNERS: a row for each of the given learners and each knot, and the check behind it.
fill() {
    sql -e "insert into check_events (id, \`schema\`, kind, group_id, learner_id, knot, device, device_seq, observed_at, received_at, corrected_at, day, \`by\`, tying, dressing, tail, purpose, test, how, prompts, verdict, answer_next, rule_version, pack_version)
        select uuid(), 1, 'result', l.group_id, l.id, k.knot, 'bench', 1, '2026-11-01 18:00:00', '2026-11-01 18:00:00', '2026-11-01 18:00:00', '2026-11-01', (select id from users limit 1), 'yes', 'yes', 'yes', 'not_looked', 'not_looked', 'attested', 0, 'has_it', '', 1, 1 from learners l join bench_knots k where $1;
        insert into standings (learner_id, knot, group_id, level, verdict, tying, dressing, tail, prompts, day, event_id, two_leaders, has_it_since, half_life_days, last_day)
        select l.id, k.knot, l.group_id, 'has_it', 'has_it', 'yes', 'yes', 'yes', 0, '2026-11-01', uuid(), 0, '2026-11-01', 7, '2026-11-01' from learners l join bench_knots k where $1"
}
fill "l.group_id = (select id from \`groups\` limit 1)"

jar="$work/jar"
ask() { curl -s -b "$jar" -c "$jar" -H 'Accept: application/json' -H 'Content-Type: application/json' -H "Origin: $address" "$@"; }
ask "$address/sanctum/csrf-cookie"
token() { awk '/XSRF-TOKEN/ { print $7 }' "$jar" | sed 's/%3D/=/g'; }
ask -H "X-XSRF-TOKEN: $(token)" -d '{"email":"maren@gullwick.example","password":"lantern-tail-77"}' -o /dev/null "$address/api/sign-in"
ask "$address/api/crew" >"$dir/storage/app/board.json"
cookies="$(awk '/\t/ { printf "%s%s=%s", n++ ? "; " : "", $6, $7 }' <(grep -v '^# ' "$jar" | sed 's/^#HttpOnly_//'))"

# What wrk sends: checks of chance learners and knots, one every tenth of a second on each phone, so many in a batch; or a body for the
# bare insert.
sql -e 'select id from learners' >"$work/learners"
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
# rate PATH [LUA]: requests a second, the median of three runs; refused answers end the bench.
rate() {
    local out run
    for run in 1 2 3; do
        [ -n "${BENCH_FRESH:-}" ] && before_run
        out="$(BENCH_WORK="$work" wrk -t4 -c4 -d"${seconds}s" --timeout 30s -H "Cookie: $cookies" -H "X-XSRF-TOKEN: $(token)" -H "Origin: $address" -H 'Accept: application/json' -H 'Content-Type: application/json' ${2:+-s "$2"} "$address$1")"
        if grep -q 'Non-2xx' <<<"$out"; then echo "$out" >&2; fail "not every answer was a good one"; fi
        awk '/Requests\/sec/ { print $2 }' <<<"$out"
    done | sort -n | sed -n 2p
}
ratio() { awk -v a="$1" -v b="$2" 'BEGIN { printf "%.2f", a / b }'; }

step "measuring, $seconds s a run"
bare="$(BENCH_BARE=1 rate /api/bench/insert "$work/load.lua")"
one="$(BENCH_SIZE=1 rate /api/check-events "$work/load.lua")"
printf 'check-off: %s a second; bare insert: %s; %s times as long (asked: within 2)\n' "$one" "$bare" "$(ratio "$bare" "$one")"
# Batches as after an evening: the record is what it was before, and does not grow into years within a run.
before_run() { sleep 3; sql -e "delete from standings; delete from check_events"; fill "l.group_id = (select id from \`groups\` limit 1)"; }
batch="$(BENCH_SIZE=500 BENCH_FRESH=yes rate /api/check-events "$work/load.lua")"
printf 'batch of 500: %s a second; %s times a bare insert (asked: within 25)\n' "$batch" "$(ratio "$bare" "$batch")"
static="$(rate /api/bench/static)"
board="$(rate /api/crew)"
printf 'board of 40 x 40, %s bytes: %s a second; the same bytes at rest: %s; %s times as long (asked: within 2); queries: %s\n' "$(stat -c %s "$dir/storage/app/board.json")" "$board" "$static" "$(ratio "$static" "$board")" "$(ask "$address/api/bench/queries")"

step "filling 1,000 groups of 30 learners by 40 knots"
sql -e "insert into \`groups\` (id, name, time_zone, units, age_from, age_to, created_at, updated_at) select uuid(), concat('Crew ', seq), 'UTC', 'mm', 8, 13, now(), now() from seq_1_to_1000;
    insert into learners (id, group_id, name, age_band, created_at, updated_at) select uuid(), g.id, concat('Nell ', seq), '8-10', now(), now() from \`groups\` g join seq_1_to_30 where g.name like 'Crew %'"
fill "l.group_id <> (select group_id from users limit 1)"
sql -e 'analyze table standings, check_events, learners' >/dev/null
printf 'rows: %s standings, %s checks\n' "$(sql -e 'select count(*) from standings')" "$(sql -e 'select count(*) from check_events')"
many="$(rate /api/crew)"
printf 'board among 1,000 groups: %s a second; %s times as long as alone (asked: at most 1.2)\n' "$many" "$(ratio "$board" "$many")"
