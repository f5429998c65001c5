#!/usr/bin/env bash
# How many awards a minute an office is told of, without faults and with many: bench/office.sh [AWARDS, 500 by default]
# A stand-in of its own is started beside the house. Waiting for an office to come round is left out.
export COMPADRE_WORK_LEASE=5 COMPADRE_OFFICE_PATIENCE=2
bench_last() { service_stop "$dir" office TERM; }
# shellcheck source=bench/house.sh
source "$(dirname "${BASH_SOURCE[0]}")/house.sh"
awards="${1:-500}"
# The bench is its own worker.
service_stop "$dir" worker TERM
port="$(port_from 8720)"
sed -i "s/^COMPADRE_OFFICE_PORT=.*/COMPADRE_OFFICE_PORT='$port'/; s/^COMPADRE_OFFICE_SECRET=.*/COMPADRE_OFFICE_SECRET='$(secret)'/" "$dir/env"
start_office "$dir"
faults() { curl -fsS -o /dev/null -X PUT -d "$1" "http://127.0.0.1:$port/faults"; }
bench_group 1 'App\Models\Office::query()->create(["group_id" => $g->id, "address" => "http://127.0.0.1:'"$port"'", "client" => "gullwick", "secret" => Crypt::encryptString("'"$(house_setting "$dir" COMPADRE_OFFICE_SECRET)"'")]);'

# told FAULTS: so many awards, each with five requirements, until the office has answered for all of them.
told() {
    local begun ms runs=0
    faults "$1"
    house_artisan bench tinker --execute '$g = App\Models\Group::query()->sole(); $ada = $g->learners()->first(); $by = App\Models\User::query()->sole(); $all = []; $leaf = ["knot" => "overhand", "level" => "has_it", "met" => true, "since" => ["day" => "2026-11-17"]]; foreach (range(1, '"$awards"') as $n) { $all[] = App\Models\Award::query()->create(["group_id" => $g->id, "learner_id" => $ada->id, "badge" => "badge-".Str::random(20), "version" => 1, "name" => "Badge $n", "decided_on" => "2026-11-24", "decided_by" => $by->id, "proof" => ["about" => "", "outline" => ["choose" => 5, "among" => 5, "met" => true, "parts" => array_fill(0, 5, $leaf)]]]); } app(App\Awards\Office\TellOffice::class)->held($g, $all);' >/dev/null
    begun=$(date +%s%N)
    until [ "$(sql -e "select count(*) from submissions where passage in ('waiting', 'sent')")" = 0 ]; do
        sql -e "update works set wake_at = utc_timestamp() where state = 'waiting'; update jobs set available_at = 0 where reserved_at is null"
        house_artisan bench compadre:sweep-work >/dev/null
        house_artisan bench queue:work --stop-when-empty --sleep=0 --quiet
        runs=$((runs + 1))
    done
    ms=$((($(date +%s%N) - begun) / 1000000))
    printf '%-40s %6d awards in %6.1f s, %6d a minute, begun %d times\n' "$2" "$awards" "$(awk "BEGIN { print $ms / 1000 }")" "$((awards * 60000 / ms))" "$runs"
}

told '{}' 'without faults'
told '{"seed":7,"slow_ms":400,"rates":{"slow":0.05,"down":0.05,"busy":0.05,"lost":0.1,"twice":0.1,"ended":0.05,"half":0.1,"forgets":0.1}}' 'with one in two calls gone wrong'
printf 'written into the register twice: %s\n' "$(node -e 'const seen = new Map(); for (const line of require("fs").readFileSync(process.argv[1], "utf8").split("\n").filter(Boolean)) for (const entry of JSON.parse(line).entries ?? []) seen.set(entry.award, (seen.get(entry.award) ?? 0) + 1); console.log([...seen.values()].filter((n) => n > 1).length);' "$dir/office/register.ndjson")"
