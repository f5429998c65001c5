<?php

declare(strict_types=1);

use Tests\House\OwnHouse;
use Tests\House\Phone;
use Tests\TestHouse;

/** A house whose services are killed outright while phones send checks to it. */
function faulty(): OwnHouse
{
    return new OwnHouse('fault');
}

function fault(string $script, float $seconds = TestHouse::PATIENCE): string
{
    return faulty()->run($script, $seconds);
}

function asked(string $sql): string
{
    return faulty()->asked($sql);
}

/** What makes one set of standings the same as another. */
function standings(): string
{
    return asked("select md5(group_concat(concat_ws(',', learner_id, knot, level, verdict, day, event_id, two_leaders, coalesce(has_it_since, ''), coalesce(kept_since, ''), round(coalesce(half_life_days, 0), 6), coalesce(tally, '')) order by learner_id, knot)) from standings");
}

function phone(string $name): Phone
{
    $phone = new Phone('http://127.0.0.1:'.fault('house_setting "$dir" COMPADRE_PORT'), $name);
    expect($phone->signIn())->toHaveKey('user');

    return $phone;
}

/** Every check that was sent is there once, none besides, and the standings are those of a clean rebuild. */
function nothingLost(Phone ...$phones): void
{
    $answered = array_unique(array_merge(...array_map(fn (Phone $phone): array => array_keys($phone->answered), $phones)));
    foreach ($phones as $phone) {
        expect($phone->waiting)->toBe([], "$phone->status $phone->said");
    }
    expect((int) asked('select count(*) from check_events'))->toBe(count($answered));
    expect((int) asked('select count(distinct id) from check_events'))->toBe(count($answered));
    $before = standings();
    fault('house_artisan fault compadre:rebuild');
    expect(standings())->toBe($before);
}

/** @return array{list<string>, list<string>} learners and knots */
function field(): array
{
    static $field = null;

    return $field ??= [explode("\n", asked('select id from learners order by id')), ['overhand', 'square-knot', 'bowline', 'clove-hitch', 'sheet-bend']];
}

beforeAll(function (): void {
    faulty()->found();
});
beforeEach(fn () => asked('delete from standings; delete from check_events'));
afterAll(fn () => faulty()->end());

it('loses and doubles nothing where the server is killed a hundred times between receiving and answering', function (): void {
    $phone = phone('phone');
    [$learners, $knots] = field();
    // The master and its workers are killed outright, and begun again at once.
    $killer = faulty()->process(<<<'SH'
        sockets="$(socket_dir "$dir")"
        for n in $(seq 100); do
            sleep "0.$((RANDOM % 30 + 12))"
            kill -KILL -- "-$(cat "$dir/run/fpm.pid")" 2>/dev/null || kill -KILL "$(cat "$dir/run/fpm.pid")" 2>/dev/null || true
            service_sweep "$dir" fpm
            rm -f "$dir/run/fpm.pid"
            start_fpm "$dir" "$sockets"
            for tries in $(seq 100); do [ -s "$dir/run/fpm.pid" ] && [ -S "$sockets/fpm.sock" ] && break; sleep 0.02; done
            echo "$n"
        done
        SH, 300);
    $killer->start();
    mt_srand(3);
    $look = static function () use ($phone, $learners, $knots): void {
        $verdict = mt_rand(0, 3) === 0 ? ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked'] : ['prompts' => mt_rand(0, 1)];
        $phone->see($learners[mt_rand(0, 3)], $knots[mt_rand(0, 4)], $verdict);
    };
    while ($killer->isRunning()) {
        while (count($phone->waiting) < 25) {
            $look();
        }
        $phone->send(25);
    }
    expect($killer->isSuccessful())->toBeTrue($killer->getErrorOutput());
    expect(substr_count($killer->getOutput(), "\n"))->toBe(100);
    // On a busy machine hardly an answer gets out between two kills: what was not seen to then is now.
    while (count($phone->answered) + count($phone->waiting) <= 100) {
        $look();
    }
    for ($try = 0; $phone->waiting !== [] && $try < 50; $try++) {
        $phone->send() || usleep(200_000);
    }
    // It did hurt: some answers never came.
    expect($phone->failures)->toBeGreaterThan(10)->and(count($phone->answered))->toBeGreaterThan(100);
    nothingLost($phone);
});

it('loses nothing where the database is killed outright and begun again', function (): void {
    $phone = phone('phone');
    [$learners, $knots] = field();
    for ($round = 0; $round < 3; $round++) {
        $killer = faulty()->process('sleep 0.3; kill -KILL "$(cat "$dir/run/mariadb.pid")"; sleep 0.3; house_start fault');
        $killer->start();
        while ($killer->isRunning()) {
            while (count($phone->waiting) < 12) {
                $phone->see($learners[count($phone->answered) % 4], $knots[count($phone->waiting) % 5]);
            }
            $phone->send(12) || usleep(50_000);
        }
        expect($killer->isSuccessful())->toBeTrue($killer->getOutput().$killer->getErrorOutput());
    }
    for ($try = 0; $phone->waiting !== [] && $try < 50; $try++) {
        $phone->send() || usleep(200_000);
    }
    // Most of it a phone never hears of: the act is done again once there is a database.
    $again = (int) faulty()->run('cat "$dir"/storage/logs/*.log 2>/dev/null | grep -c "done again: \(Away\|Unknown\)" || true');
    expect($phone->failures + $again)->toBeGreaterThan(0);
    nothingLost($phone);
});

it('takes the same hundred checks from two devices at once, once, and answers both alike', function (): void {
    [$one, $other] = [phone('phone'), phone('phone')];
    [$learners, $knots] = field();
    for ($n = 0; $n < 100; $n++) {
        $one->see($learners[$n % 4], $knots[$n % 5], ['prompts' => $n % 3]);
    }
    $events = array_values($one->waiting);
    $send = fn (Phone $phone): CurlHandle => $phone->handle('POST', '/api/check-events', ['sent_at' => gmdate('Y-m-d\TH:i:s.v\Z'), 'events' => $events]);
    $answers = [];
    for ($round = 0; $round < 4; $round++) {
        $both = [$send($one), $send($other)];
        $line = curl_multi_init();
        array_map(fn (CurlHandle $handle) => curl_multi_add_handle($line, $handle), $both);
        do {
            curl_multi_exec($line, $running);
            curl_multi_select($line, 0.1);
        } while ($running > 0);
        foreach ($both as $handle) {
            expect(curl_getinfo($handle, CURLINFO_RESPONSE_CODE))->toBe(200);
            $answers[] = json_decode((string) curl_multi_getcontent($handle), true)['results'];
        }
    }
    foreach ($answers as $answer) {
        expect($answer)->toBe($answers[0]);
    }
    $one->answered = array_column($answers[0], 'verdict', 'id');
    $one->waiting = [];
    nothingLost($one);
});

it('survives a network that is cut in the middle of a batch, and replays in any order', function (): void {
    $phone = phone('phone');
    [$learners, $knots] = field();
    for ($n = 0; $n < 60; $n++) {
        $phone->see($learners[$n % 4], $knots[$n % 5], $n % 7 === 0 ? ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked'] : []);
    }
    $events = array_values($phone->waiting);
    foreach ([false, true, false, true, true] as $whole) {
        $phone->sendCut($whole);
    }
    // What came through whole, came through once.
    usleep(500_000);
    expect((int) asked('select count(*) from check_events'))->toBeIn([0, 60]);
    expect($phone->send())->toBeTrue();
    nothingLost($phone);
    $first = $phone->answered;
    $kept = standings();
    mt_srand(5);
    for ($round = 0; $round < 5; $round++) {
        shuffle($events);
        foreach (array_chunk($events, 13) as $part) {
            $results = $phone->call('POST', '/api/check-events', ['sent_at' => gmdate('Y-m-d\TH:i:s.v\Z'), 'events' => $part])['results'];
            foreach ($results as $result) {
                expect($result['verdict'])->toBe($first[$result['id']]);
            }
        }
    }
    expect(standings())->toBe($kept);
    // The same set, sent backwards to an empty record, gives the same standings.
    asked('delete from standings; delete from check_events');
    $phone->waiting = array_column(array_reverse($events), null, 'id');
    $phone->answered = [];
    while ($phone->waiting !== []) {
        expect($phone->send(7))->toBeTrue();
    }
    expect(standings())->toBe($kept);
});
