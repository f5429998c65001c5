#!/usr/bin/env bash
# What a check-off, a batch and the board cost, against the least they could: bench/field.sh [SECONDS, 30 by default]
# Measured with wrk (4 connections, median of 3 runs). What many groups beside it change is bench/scale.sh's.
bench_packages=(wrk)
# shellcheck source=bench/house.sh
source "$(dirname "${BASH_SOURCE[0]}")/house.sh"
seconds="${1:-30}"

step "filling a group of 40 learners by 40 knots"
sql -e 'create table bench_rows (id char(36) primary key, learner char(36), seen text, index (learner))'
bench_group 40 'foreach (["lantern-hand", "rigger", "green-captain"] as $b) { $g->badges()->create(["badge" => $b]); }'
sql -e 'create table bench_knots (knot varchar(60))'
# Forty knots: all that are taught, and some of the mistakes, which the board shows as well once somebody has met them.
bench_knots 40 | sed "s/.*/insert into bench_knots values ('&');/" | sql
# A row for each learner and knot, and the check behind it.
fill() {
    sql -e "insert into check_events (id, \`schema\`, kind, group_id, learner_id, knot, device, device_seq, observed_at, received_at, corrected_at, day, \`by\`, tying, dressing, tail, purpose, test, how, prompts, verdict, answer_next, rule_version, pack_version)
        select uuid(), 1, 'result', l.group_id, l.id, k.knot, 'bench', 1, '2026-11-01 18:00:00', '2026-11-01 18:00:00', '2026-11-01 18:00:00', '2026-11-01', (select id from users limit 1), 'yes', 'yes', 'yes', 'not_looked', 'not_looked', 'attested', 0, 'has_it', '', 1, 1 from learners l join bench_knots k;
        insert into standings (learner_id, knot, group_id, level, verdict, tying, dressing, tail, prompts, day, event_id, two_leaders, has_it_since, half_life_days, last_day)
        select l.id, k.knot, l.group_id, 'has_it', 'has_it', 'yes', 'yes', 'yes', 0, '2026-11-01', uuid(), 0, '2026-11-01', 7, '2026-11-01' from learners l join bench_knots k"
}
fill
bench_sign_in maren@gullwick.example
ask "$address/api/crew" >"$dir/storage/app/board.json"
bench_load "$(sql -e 'select id from `groups`')"

step "measuring, $seconds s a run"
bare="$(BENCH_BARE=1 rate "$seconds" /api/bench/insert "$work/load.lua")"
one="$(BENCH_SIZE=1 rate "$seconds" /api/check-events "$work/load.lua")"
printf 'check-off: %s a second; bare insert: %s; %s times as long (asked: within 2)\n' "$one" "$bare" "$(ratio "$bare" "$one")"
# Batches as after an evening: the record is what it was before, and does not grow into years within a run.
before_run() { sleep 3; sql -e "delete from standings; delete from check_events"; fill; }
batch="$(BENCH_SIZE=500 BENCH_FRESH=yes rate "$seconds" /api/check-events "$work/load.lua")"
printf 'batch of 500: %s a second; %s times a bare insert (asked: within 25)\n' "$batch" "$(ratio "$bare" "$batch")"
static="$(rate "$seconds" /api/bench/static)"
board="$(rate "$seconds" /api/crew)"
printf 'board of 40 x 40, %s bytes: %s a second; the same bytes at rest: %s; %s times as long (asked: within 2); queries: %s\n' "$(stat -c %s "$dir/storage/app/board.json")" "$board" "$static" "$(ratio "$static" "$board")" "$(ask "$address/api/bench/queries")"
