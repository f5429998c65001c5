<?php

declare(strict_types=1);

/*
 * What machines an evening of many groups takes: whoever asks waits in line for a core of an installation and then for one of the database,
 * and each takes as long as it was measured to (bench/scale.sh says it):
 *
 *   php bench/evening.php GROUPS CORES clock=MS:DATABASE check=MS:DATABASE board=MS:DATABASE course=MS:DATABASE
 *
 * CORES of each machine; MS of one core for each request, and how many of them are the database's.
 */

/** Meetings of an hour and a quarter begin at these minutes past 18:00, with this share of the groups each. */
const BEGIN = [0 => 0.3, 30 => 0.4, 60 => 0.3];
const MINUTES = 75;

/** On each: phones with the run sheet open, which ask for the clock every so many seconds; learners with so many checks each, sent one by one between these minutes. */
const PHONES = 3;
const EVERY_S = 5;
const CHECKS = 30 * 4;
const CHECKED = [20, 70];

/** How often a phone opens the board, and the course, in one meeting. */
const BOARDS = 6;
const COURSES = 2;

/** Whoever waits longer than this one time in a hundred has too few machines before them. */
const PATIENCE_S = 1.0;

/** Seconds that are played, and those before that only fill the lines. */
const PLAYED = 90;
const BEFORE = 15;

/** @return array<string, float> requests a second of each kind in a minute of the evening */
function asked(int $minute, int $groups): array
{
    $rates = ['clock' => 0.0, 'check' => 0.0, 'board' => 0.0, 'course' => 0.0];
    foreach (BEGIN as $begin => $share) {
        $at = $minute - $begin;
        if ($at < 0 || $at >= MINUTES) {
            continue;
        }
        $here = $groups * $share;
        $rates['clock'] += $here * PHONES / EVERY_S;
        $rates['board'] += $here * PHONES * BOARDS / (MINUTES * 60);
        $rates['course'] += $here * PHONES * COURSES / (MINUTES * 60);
        $rates['check'] += $at >= CHECKED[0] && $at < CHECKED[1] ? $here * CHECKS / ((CHECKED[1] - CHECKED[0]) * 60) : 0.0;
    }

    return $rates;
}

/**
 * @param  array<string, float>  $rates
 * @param  array<string, array{float, float}>  $takes  ms of an installation's core, and of the database's
 * @return float what one in a hundred waits longer than, in seconds
 */
function waits(array $rates, array $takes, int $appCores, int $databaseCores): float
{
    mt_srand(1821);
    $chance = static fn (): float => -log((mt_rand() + 1) / (mt_getrandmax() + 2));
    $lines = [];
    foreach ([$appCores, $databaseCores] as $cores) {
        $free = new SplMinHeap;
        for ($core = 0; $core < $cores; $core++) {
            $free->insert(0.0);
        }
        $lines[] = $free;
    }
    // What happens next, by when: somebody asks, or comes from an installation to the database.
    $events = new SplPriorityQueue;
    foreach ($rates as $kind => $rate) {
        if ($rate > 0) {
            $at = $chance() / $rate;
            $events->insert([$at, $kind, null], -$at);
        }
    }
    $waited = [];
    while (! $events->isEmpty()) {
        [$at, $kind, $since] = $events->extract();
        $line = $since === null ? 0 : 1;
        if ($since === null) {
            $again = $at + $chance() / $rates[$kind];
            if ($again < BEFORE + PLAYED) {
                $events->insert([$again, $kind, null], -$again);
            }
        }
        $done = max($at, $lines[$line]->extract()) + $takes[$kind][$line] * $chance() / 1000;
        $lines[$line]->insert($done);
        if ($since === null) {
            $events->insert([$done, $kind, $at], -$done);
        } elseif ($since > BEFORE) {
            $waited[] = $done - $since;
        }
    }
    sort($waited);

    return $waited[(int) floor(count($waited) * 0.99)] ?? 0.0;
}

$groups = (int) ($argv[1] ?? 0);
$cores = (int) ($argv[2] ?? 0);
$takes = [];
foreach (array_slice($argv, 3) as $one) {
    if (preg_match('/^(clock|check|board|course)=([\d.]+):([\d.]+)$/', $one, $found) === 1) {
        $takes[$found[1]] = [(float) $found[2] - (float) $found[3], (float) $found[3]];
    }
}
if ($groups < 1 || $cores < 1 || count($takes) !== 4) {
    fwrite(STDERR, "php bench/evening.php GROUPS CORES clock=MS:DATABASE check=MS:DATABASE board=MS:DATABASE course=MS:DATABASE\n");
    exit(1);
}
$busiest = 0;
foreach (range(0, 180) as $minute) {
    $busiest = array_sum(asked($minute, $groups)) > array_sum(asked($busiest, $groups)) ? $minute : $busiest;
}
$rates = asked($busiest, $groups);
$busy = [0.0, 0.0];
foreach ($rates as $kind => $rate) {
    foreach ([0, 1] as $line) {
        $busy[$line] += $rate * $takes[$kind][$line] / 1000;
    }
}
printf("%d groups, busiest at %s: %s\n", $groups, gmdate('H:i', 18 * 3600 + $busiest * 60), implode(', ', array_map(static fn (string $kind): string => sprintf('%.0f %s', $rates[$kind], $kind), array_keys($rates))).' a second');
printf("busy: %.1f cores of installations, %.1f of the database\n", ...$busy);
$databaseCores = (int) ceil($busy[1] / 0.7);
for ($machines = max(2, (int) ceil($busy[0] / $cores)); ($p99 = waits($rates, $takes, $machines * $cores, $databaseCores)) > PATIENCE_S; $machines++) {
}
printf("installations: %d machines of %d cores; the database that is written to: %d cores; one in a hundred waits longer than %.0f ms\n", $machines, $cores, $databaseCores, $p99 * 1000);
$most = (int) floor($groups * 64 * 0.7 / $busy[1]);
printf("first of all the database breaks: one of 64 cores is seven tenths busy with %d groups at once\n", $most);
