<?php

declare(strict_types=1);

/*
 * What a rig costs: worked out for its first answers, with its sketch and without, and the command as a whole. Processor time, the
 * median of many.
 *
 *     php bench/rigs.php
 */

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Rigging;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;

require_once __DIR__.'/../vendor/autoload.php';

$packs = __DIR__.'/../packs';
$library = Library::at($packs);
$materials = Fields::of(Json::arrays(Json::file("$packs/materials/rope.json")));
$rope = new RopeAtWork(RopeInHand::of(8, Material::Polyester), $library, TailRule::fromPack($materials), Friction::fromPack($materials), static fn (): ?float => null);

/** @return float milliseconds of processor time, the median */
function median(int $times, callable $do): float
{
    $spent = [];
    for ($n = 0; $n < $times; $n++) {
        $before = getrusage();
        $do();
        $after = getrusage();
        $spent[] = ($after['ru_utime.tv_sec'] - $before['ru_utime.tv_sec']) * 1e3 + ($after['ru_utime.tv_usec'] - $before['ru_utime.tv_usec']) / 1e3;
    }
    sort($spent);

    return $spent[intdiv($times, 2)];
}

foreach (['rigs' => RigShelf::at($packs, $library), 'instruments' => RigShelf::instruments($packs, $library)] as $kind => $shelf) {
    $worst = [0.0, ''];
    $reading = median(1, static fn (): array => $shelf->all());
    foreach ($shelf->all() as $rig) {
        // Ten at a time: one alone is shorter than the clock's tick.
        $took = median(31, static function () use ($rig, $rope): void {
            for ($n = 0; $n < 10; $n++) {
                Rigging::of($rig, Fields::of($rig->starts(), '/answers'), $rope)->sketch->toArray();
            }
        }) / 10;
        $worst = max($worst, [$took, $rig->id]);
    }
    printf("%-12s %2d packs read in %6.1f ms; one worked out and drawn in %5.2f ms at most (%s)\n", $kind, count($shelf->ids()), $reading, ...$worst);
}
$asked = escapeshellarg((string) json_encode(['rig' => 'ridge-shelter', 'answers' => RigShelf::at($packs, $library)->rig('ridge-shelter')->starts(), 'rope' => ['diameter_mm' => 8, 'material' => 'polyester']]));
$times = [];
foreach (range(1, 15) as $n) {
    $start = hrtime(true);
    exec('echo '.$asked.' | '.PHP_BINARY.' '.escapeshellarg(__DIR__.'/../core/bin/compute').' rig', $output, $code);
    $times[] = (hrtime(true) - $start) / 1e6;
}
sort($times);
printf("compute rig, a process of its own: %.0f ms\n", $times[7]);
