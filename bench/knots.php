<?php

declare(strict_types=1);

// Times the knot engine: php bench/knots.php. Speed is measured here and never in a test.

use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\CrossingFinder;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Quality;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Tests\Topology\Braids;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\PdCode;

require dirname(__DIR__).'/vendor/autoload.php';
require dirname(__DIR__).'/core/tests/Topology/Braids.php';

/** The median of some runs, in milliseconds. */
function median(int $runs, callable $work): float
{
    $times = [];
    for ($run = 0; $run < $runs; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv($runs, 2)];
}

function line(string $what, float $milliseconds): void
{
    printf("%-58s %9.2f ms\n", $what, $milliseconds);
}

$packs = dirname(__DIR__).'/packs';
$word = array_merge(...array_fill(0, 20, [1, -2]));
line('Jones, 3-strand braid closure of 40 crossings', median(5, fn () => PdCode::of(Braids::closure(3, $word))->jones()));
line('Jones, 4-strand braid closure of 60 crossings', median(3, fn () => PdCode::of(Braids::closure(4, array_merge(...array_fill(0, 20, [1, -2, 3]))))->jones()));
line('the whole catalogue, read, drawn and fingerprinted, cold', median(3, fn () => KnotIndex::of(Library::at($packs))->named('')));
$library = Library::at($packs);
$index = KnotIndex::of($library);
$index->named('');
foreach (['overhand', 'square-knot', 'bowline', 'clove-hitch', 'two-half-hitches'] as $id) {
    $pack = $library->knot($id);
    $method = $pack->methods[0];
    $diagram = DiagramBuilder::loose($method);
    line("$id: curves and crossings", median(15, fn () => DiagramBuilder::loose($method)));
    line("$id: crossings alone", median(15, fn () => CrossingFinder::find(array_map(fn (Strand $strand) => $strand->curve, $diagram->strands))));
    line("$id: drawing data", median(15, fn () => Drawing::loose($diagram)->toArray()));
    line("$id: measures of the drawing", median(5, fn () => Quality::of($diagram)));
    line("$id: fingerprint", median(15, fn () => Fingerprint::of(GaussCode::of($diagram))->key()));
    line("$id: all mistakes", median(3, fn () => (new MistakeFinder($library, $index))->of($pack, $method)));
}
