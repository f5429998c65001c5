<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\House\OwnHouse;
use Tests\House\Phone;
use Tests\Support\AwardOffice;

/** A house whose worker does not wait long for anybody. */
function errandHouse(): OwnHouse
{
    return new OwnHouse('errand', 'export COMPADRE_WORK_LEASE=6 COMPADRE_OFFICE_PATIENCE=4');
}

/** What an office is put off for is over at once. */
function impatient(): void
{
    errandHouse()->run('database_root "$(cat "$dir/run/sockets")" "$(house_database errand)" -e "update works set wake_at = utc_timestamp() where state = \'waiting\'; update jobs set available_at = 0 where reserved_at is null"; house_artisan errand compadre:sweep-work');
}

afterAll(fn () => errandHouse()->end());

it('tells an office of each award once, though both are killed a hundred times and the office is as bad as can be', function (): void {
    $house = errandHouse();
    $house->found();
    $lots = new Randomizer(new Mt19937(20261130));
    $office = AwardOffice::open();
    try {
        // So many awards; every seventh lacks something.
        $house->run(<<<'SH'
            house_artisan errand tinker --execute '$group = App\Models\Group::query()->sole(); $by = App\Models\User::query()->sole(); $ada = $group->learners()->first(); foreach (range(1, 250) as $n) { App\Models\Award::query()->create(["group_id" => $group->id, "learner_id" => $ada->id, "badge" => "badge-$n", "version" => 1, "name" => "Badge $n", "by_hand" => true, "why" => "Elsewhere.", "decided_on" => "2026-11-24", "decided_by" => $by->id, "proof" => ["about" => "", "outline" => ["knot" => "overhand", "level" => "has_it", "met" => true] + ($n % 7 === 0 ? [] : ["since" => ["day" => "2026-11-17"]])]]); }'
            SH);
        $lead = new Phone('http://127.0.0.1:'.$house->run('house_setting "$dir" COMPADRE_PORT'), 'lead');
        $lead->signIn();
        $set = $lead->call('PUT', '/api/office', ['address' => $office->address(), 'client' => AwardOffice::CLIENT, 'secret' => AwardOffice::SECRET]);
        $awards = array_column($set['never_sent'], 'award');
        expect($awards)->toHaveCount(250);
        $kills = ['office' => 0, 'worker' => 0];
        $faults = ['slow' => 0.1, 'down' => 0.05, 'busy' => 0.05, 'lost' => 0.15, 'twice' => 0.15, 'ended' => 0.1, 'half' => 0.15, 'forgets' => 0.1];
        $office->faults($faults, 0, 400);
        for ($tries = 0; array_sum($kills) < 100; $tries++) {
            expect($tries)->toBeLessThan(2000);
            // All the while leads go on deciding.
            $wave = array_slice($awards, 2 * array_sum($kills), 2);
            $lead->call('POST', '/api/office/awards', ['awards' => $wave]);
            expect($lead->status)->toBe(200, $lead->said);
            usleep($lots->getInt(20, 500) * 1000);
            if (array_sum($kills) % 2 === 0) {
                $office->kill();
                usleep($lots->getInt(0, 100) * 1000);
                $office->start();
                $office->faults($faults, array_sum($kills), 400);
                $kills['office']++;
            } elseif ($house->run('pid="$(pgrep -P "$(cat "$dir/run/worker.pid")" php | head -n 1 || true)"; [ -z "$pid" ] || ! kill -KILL "$pid" 2>/dev/null || echo killed') === 'killed') {
                $kills['worker']++;
            } else {
                // Between two rounds nobody is there to be killed.
                usleep(100_000);
            }
        }
        expect($kills)->toBe(['office' => 50, 'worker' => 50]);
        $lead->call('POST', '/api/office/awards', ['awards' => array_slice($awards, 200)]);
        // It comes to an end among its faults, too.
        for ($tries = 0; $tries < 300; $tries++) {
            impatient();
            $board = $lead->call('GET', '/api/office');
            if (($board['work']['state'] ?? null) === 'done' && ! in_array('waiting', array_column($board['awards'], 'state'), true)) {
                break;
            }
            usleep(300_000);
        }
        expect($board['work']['state'])->toBe('done', (string) json_encode($board['work']));
        // Row by row, both stores say the same: each award once, none lost.
        $entries = $office->entries();
        $there = array_column($entries, null, 'award');
        expect($entries)->toHaveCount(250)->and($there)->toHaveCount(250);
        $here = array_column($board['awards'], null, 'award');
        expect(array_diff($awards, array_keys($here)))->toBe([]);
        foreach ($here as $id => $row) {
            expect([$row['state'], $row['receipt'], $row['requirement'], $row['reason']])->toBe([$there[$id]['state'], $there[$id]['receipt'], $there[$id]['requirement'], $there[$id]['reason']]);
        }
        expect(array_count_values(array_column($here, 'state')))->toEqual(['taken' => 215, 'refused' => 35]);
    } finally {
        $office->close();
    }
});
