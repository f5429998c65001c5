#!/usr/bin/env bash
# How long a group takes to go along in one zip, to be looked at and to be taken in: bench/along.sh [LEARNERS KNOTS YEARS, 40 40 3 by default]
# The house is filled, emptied and filled again from the zip.
# shellcheck source=bench/house.sh
source "$(dirname "${BASH_SOURCE[0]}")/house.sh"
learners="${1:-40}" knots="${2:-40}" years="${3:-3}"
service_stop "$dir" worker TERM
timed() {
    local begun
    begun=$(date +%s%N)
    "${@:2}" >"$work/said"
    printf '%-44s %6.1f s\n' "$1" "$(awk "BEGIN { print ($(date +%s%N) - $begun) / 1e9 }")"
}

step "filling a group of $learners learners by $knots knots over $years years"
bench_group "$learners" '$g->badges()->create(["badge" => "lantern-hand"]); foreach (range(1, 40 * '"$years"') as $week) { $g->meetings()->create(["date" => now()->subWeeks($week)->format("Y-m-d"), "starts_at" => "18:30", "minutes" => 75, "checkers" => 2]); }'
bench_knots "$knots" checked >"$work/knots"
sql -e 'create table bench_knots (n int auto_increment primary key, knot varchar(60))'
sed "s/.*/insert into bench_knots (knot) values ('&');/" "$work/knots" | sql
# Each learner and knot three times a year, on evenings of the group's; and who was there.
sql -e "set @n = 0;
    insert into check_events (id, \`schema\`, kind, group_id, learner_id, knot, meeting_id, device, device_seq, observed_at, received_at, corrected_at, day, \`by\`, tying, dressing, tail, purpose, test, how, prompts, verdict, answer_next, note, rule_version, pack_version)
    select uuid(), 1, 'result', l.group_id, l.id, k.knot, m.id, 'bench', (@n := @n + 1), concat(m.date, ' 18:40:00'), concat(m.date, ' 18:40:01'), concat(m.date, ' 18:40:00'), m.date, (select id from users limit 1), 'yes', 'yes', if(rand(1) < 0.3, 'no', 'yes'), 'not_looked', 'not_looked', 'attested', 0, 'has_it', '', if(rand(2) < 0.2, 'A little loose at the collar', null), 1, 1
    from learners l join bench_knots k join (select id, date, row_number() over (order by date) as n from meetings) m on (m.n + k.n * 7 + ascii(l.name)) % 40 < 3;
    insert into attendances (group_id, meeting_id, learner_id, present, marked_by, created_at, updated_at) select l.group_id, m.id, l.id, rand(3) < 0.9, (select id from users limit 1), now(), now() from learners l join meetings m"
house_artisan bench compadre:rebuild >/dev/null
sums() { sql -e "select count(*), md5(group_concat(learner_id, knot, level, day order by learner_id, knot)) from (select * from standings) s" ; }
sql -e "set global group_concat_max_len = 100000000"
before="$(sums)"
sql -e "select concat(count(*), ' checks') from check_events union select concat(count(*), ' who was here') from attendances"

timed 'written' house_artisan bench compadre:along "$work/group.zip"
printf '%-44s %6.2f MB\n' 'its size' "$(awk "BEGIN { print $(stat -c %s "$work/group.zip") / 1e6 }")"
along_word='harbour lantern 5'
timed 'written, locked' house_artisan bench compadre:along "$work/locked.zip" --lock <<<"$along_word"
timed 'looked at, in the house it is of' house_artisan bench compadre:take "$work/group.zip" --replace
timed 'taken in there, in place of what there was' house_artisan bench compadre:take "$work/group.zip" --replace --yes
house_artisan bench migrate:fresh --force >/dev/null
timed 'taken in, in an empty house' house_artisan bench compadre:take "$work/group.zip" --yes
house_artisan bench compadre:along "$work/again.zip"
tables() { php -r '$zip = new ZipArchive; $zip->open($argv[1]); echo json_encode(json_decode($zip->getFromName("manifest.json"))->tables);' "$1"; }
[ "$(tables "$work/group.zip")" = "$(tables "$work/again.zip")" ] && [ "$before" = "$(sums)" ] && echo 'written again: each table the same to the byte, standings too' || { echo 'written again: NOT the same'; exit 1; }
