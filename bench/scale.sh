#!/usr/bin/env bash
# What a house of many groups costs, against one group alone: bench/scale.sh [GROUPS, 10,000 by default] [SECONDS, 15 by default]
# Each group has 30 learners and a term of ten meetings, with 32 checks and standings of each learner, written evening by evening as they would
# be. The board, the course, a check and a batch are measured with the data larger than what the database may keep in memory, and every
# question that they ask is looked at: what it would read through.
bench_packages=(wrk)
# shellcheck source=bench/house.sh
source "$(dirname "${BASH_SOURCE[0]}")/house.sh"
groups="${1:-10000}" seconds="${2:-15}"
took() { printf '%-62s %6d s\n' "$1" $((SECONDS - begun)); begun=$SECONDS; }

bench_group 30 'foreach (["lantern-hand", "rigger"] as $b) { $g->badges()->create(["badge" => $b]); }'
sql -e 'create table bench_knots (n int auto_increment primary key, knot varchar(60))'
bench_knots 40 checked | sed "s/.*/insert into bench_knots (knot) values ('&');/" | sql
mine="$(sql -e 'select id from `groups`')"

# meetings WHICH: a term of twenty, ten of them past, for those groups.
meetings() {
    sql -e "insert into meetings (id, group_id, date, starts_at, minutes, checkers, created_at, updated_at)
        select uuid(), g.id, curdate() - interval 10 week + interval seq week, '18:30', 75, 2, now(), now() from seq_0_to_19 join \`groups\` g where $1 order by seq"
}
# evening NUMBER WHICH: who was there, and four checks of each.
evening() {
    local on="m.date = curdate() - interval 10 week + interval $1 week and $2"
    sql -e "insert into attendances (group_id, meeting_id, learner_id, present, marked_by, created_at, updated_at)
            select g.id, m.id, l.id, 1, u.user_id, now(), now() from \`groups\` g join memberships u on u.group_id = g.id join meetings m on m.group_id = g.id join learners l on l.group_id = g.id where $on;
        insert into check_events (id, \`schema\`, kind, group_id, learner_id, knot, meeting_id, device, device_seq, observed_at, received_at, corrected_at, day, \`by\`, tying, dressing, tail, purpose, test, how, prompts, verdict, answer_level, answer_next, rule_version, pack_version)
            select uuid(), 1, 'result', g.id, l.id, k.knot, m.id, u.user_id, k.n, timestamp(m.date, '18:40:00'), timestamp(m.date, '18:41:00'), timestamp(m.date, '18:40:00'), m.date, u.user_id, 'yes', 'yes', 'yes', 'not_looked', 'not_looked', 'attested', 0, 'has_it', 'has_it', '', 1, 1
            from \`groups\` g join memberships u on u.group_id = g.id join meetings m on m.group_id = g.id join learners l on l.group_id = g.id join bench_knots k on k.n between $1 * 4 + 1 and $1 * 4 + 4 where $on"
}
# standings WHICH: what follows from them.
standings() {
    sql -e "insert into standings (learner_id, knot, group_id, level, verdict, tying, dressing, tail, prompts, day, event_id, two_leaders, has_it_since, half_life_days, last_day)
        select l.id, k.knot, l.group_id, 'has_it', 'has_it', 'yes', 'yes', 'yes', 0, curdate() - interval 10 week, uuid(), 0, curdate() - interval 10 week, 7, curdate() - interval 10 week
        from learners l straight_join \`groups\` g on g.id = l.group_id straight_join bench_knots k where $1"
}
# record_of WHICH: all evenings, and what follows from them.
record_of() { for n in $(seq 0 9); do evening "$n" "$1"; done; standings "$1"; }
meetings "g.id = '$mine'"
record_of "g.id = '$mine'"
bench_sign_in maren@gullwick.example
bench_load "$mine"
ask "$address/api/crew" >"$dir/storage/app/board.json"

# Before each run the group's record is what it was.
before_run() {
    sleep 2
    sql -e "delete from standings where group_id = '$mine'; delete from check_events where group_id = '$mine'; delete from attendances where group_id = '$mine'"
    record_of "g.id = '$mine'"
}
# The first is what it is measured against, before and after: the least that an answer takes on this machine just then.
names=('a bare answer' 'the board' 'the course' 'the clock' 'one check' 'a batch of 500')
meeting="$(sql -e "select id from meetings where date > curdate() order by date limit 1")"
# measure_one ADDRESS [LUA]: how many a second, and what each costs the database alone, in milliseconds.
measure_one() {
    rm -f "$work/took"
    echo "$(rate "$seconds" "$@") $(awk -v s="$seconds" '{ took += $1; n += $2 * s } END { printf "%.2f", took * 10 / n }' "$work/took")"
}
measure() {
    measure_one /api/bench/static
    measure_one /api/crew
    measure_one /api/course
    measure_one "/api/meetings/$meeting/clock"
    BENCH_SIZE=1 BENCH_FRESH=yes measure_one /api/check-events "$work/load.lua"
    BENCH_SIZE=500 BENCH_FRESH=yes measure_one /api/check-events "$work/load.lua"
    before_run
}
step "measuring one group alone, $seconds s a run"
mapfile -t alone < <(measure)

step "loading $groups groups"
begun=$SECONDS
# While it is loaded it may have the memory; what is measured is measured without.
sql -e "set global innodb_buffer_pool_size = 6 << 30; set global innodb_log_file_size = 2 << 30; set global innodb_flush_log_at_trx_commit = 2"
sql -e "insert into \`groups\` (id, name, time_zone, units, age_from, age_to, created_at, updated_at) select uuid(), concat('Crew ', seq), 'UTC', 'mm', 8, 13, now(), now() from seq_1_to_$groups;
    insert into users (id, name, email, password, created_at, updated_at) select uuid(), concat('Lead ', seq), concat('lead', seq, '@gullwick.example'), (select password from users limit 1), now(), now() from seq_1_to_$groups;
    insert into memberships (id, user_id, group_id, role, created_at, updated_at) select uuid(), u.id, g.id, 'lead', now(), now() from \`groups\` g join users u on u.email = concat('lead', substr(g.name, 6), '@gullwick.example');
    insert into ropes (id, group_id, name, diameter_mm, material, is_usual, created_at, updated_at) select uuid(), id, 'Practice rope', 10, 'polyester', 1, now(), now() from \`groups\` where id <> '$mine';
    insert into group_badges (id, group_id, badge, created_at, updated_at) select uuid(), id, 'lantern-hand', now(), now() from \`groups\` where id <> '$mine';
    insert into learners (id, group_id, name, age_band, created_at, updated_at) select uuid(), g.id, concat('Nell ', seq), '8-10', now(), now() from \`groups\` g join seq_1_to_30 where g.id <> '$mine';
    insert into pursuits (group_id, learner_id, badge, version, created_at, updated_at) select group_id, id, 'lantern-hand', 1, now(), now() from learners where group_id <> '$mine'"
meetings "g.id <> '$mine'"
took 'groups, people, learners and meetings'
for n in $(seq 0 9); do evening "$n" "g.id <> '$mine'"; done
took 'ten evenings of checks, and who was there'
standings "g.id <> '$mine'"
took 'their standings'
sql -e 'analyze table standings, check_events, learners, meetings, attendances, memberships, users, pursuits' >/dev/null
sql -e "select concat(format(count(*), 0), ' standings') from standings; select concat(format(count(*), 0), ' checks') from check_events;
    select concat(format(sum(size) / 1e9, 1), ' GB of tables and indexes') from (select sum(data_length + index_length) as size from information_schema.tables where table_schema = 'compadre_bench') s"

# So much that the data are some 25 times as large.
memory=$((groups > 400 ? groups * 52 / 1000 : 20))
step "measuring among $groups groups, with $memory MB of memory for the database"
sql -e "set global innodb_buffer_pool_dump_at_shutdown = off"
house_stop bench
house_start bench
sql -e "set global innodb_buffer_pool_size = $memory << 20"
# What it has still to tidy up after the load is no part of it.
still=0
until [ $still -ge 5 ]; do
    was="$(database_took)"
    sleep 2
    if [ $(($(database_took) - was)) -le 4 ]; then still=$((still + 1)); else still=0; fi
done
# Cold: groups nobody has asked for since the database was started.
asked() { ask -o /dev/null -w '%{time_total}\n' "$address$1"; }
median() { sort -n | awk '{ all[NR] = $1 } END { printf "%.0f", all[int((NR + 1) / 2)] * 1000 }'; }
for n in $(seq 1 $((groups / 40 + 1)) "$groups"); do
    bench_sign_in "lead$n@gullwick.example"
    asked /api/crew >>"$work/cold"
    asked /api/crew >>"$work/warm"
    asked /api/course >>"$work/course"
done
printf 'of %d groups, first time asked: the board %s ms, again %s ms; then the course %s ms (medians)\n' "$(wc -l <"$work/cold")" "$(median <"$work/cold")" "$(median <"$work/warm")" "$(median <"$work/course")"
house_artisan bench compadre:host maren@gullwick.example >/dev/null
bench_sign_in maren@gullwick.example
for query in '' '?page=100' '?find=crew+77' '?order=quiet' '?order=learners' '?show=quiet'; do printf 'whoever hosts it looks: %-18s %6.0f ms, again %.0f ms\n' "${query:-first}" "$(asked "/api/host$query" | awk '{ print $1 * 1000 }')" "$(asked "/api/host$query" | awk '{ print $1 * 1000 }')"; done
mapfile -t among < <(measure)
for n in "${!names[@]}"; do
    printf '%-16s %8s a second alone, %8s among %s groups; against the bare answer %s times as long (asked: at most 1.2); of each the database has %s and %s ms\n' "${names[$n]}" "${alone[$n]% *}" "${among[$n]% *}" "$groups" \
        "$(awk -v a="${alone[$n]% *}" -v b="${among[$n]% *}" -v c="${alone[0]% *}" -v d="${among[0]% *}" 'BEGIN { printf "%.2f", a / b / (c / d) }')" "${alone[$n]#* }" "${among[$n]#* }"
done

step "looking at every question that is asked"
slow="$dir/log/slow.log"
sql -e "set global slow_query_log_file = '$slow'; set global log_slow_verbosity = 'query_plan,explain'; set global long_query_time = 0; set global slow_query_log = on"
learner="$(head -n 1 "$work/learners")"
for path in crew course me group people store practice/cards awards archived devices left-checks "meetings/$meeting" "meetings/$meeting/pack" "learners/$learner" "learners/$learner/record" "learners/$learner/check" "learners/$learner/next" \
    check/bowline group/badges/lantern-hand knots rigs; do
    ask -o /dev/null -w "%{http_code} $path\n" "$address/api/$path" | grep -v '^200' || true
done
BENCH_WORK="$work" BENCH_SIZE=20 rate 1 /api/check-events "$work/load.lua" >/dev/null
ask -X PUT -H "X-XSRF-TOKEN: $(token)" -d '{"present":true}' -o /dev/null "$address/api/meetings/$meeting/attendance/$learner"
ask -X POST -H "X-XSRF-TOKEN: $(token)" -d "{\"learners\":[{\"id\":\"$(cat /proc/sys/kernel/random/uuid)\",\"name\":\"Pip L.\"}]}" -o /dev/null "$address/api/walk-ins"
bench_sign_in maren@gullwick.example
sql -e 'set global slow_query_log = off'
awk -F'\t' '/^# explain: id/ { questions++ } /^# explain: [0-9]/ { if (($4 == "ALL" || $4 == "index") && $3 !~ /^</ && $9 + 0 > 1000) { bad[$3 " by " $4]++ } } END { printf "%d questions asked", questions; for (one in bad) printf "; READ THROUGH: %s (%d times)", one, bad[one]; print "" }' <(sed 's/^# explain: \(.*\)/# explain: \1/; s/^\(# explain: \)\t*/\1/' "$slow")
