<?php

declare(strict_types=1);

/*
 * How often a knot is named that is drawn with a finger: every way of tying, drawn by a seeded hand that shakes by so many rope widths.
 * The crossings are found by the screens' own code (resources/js/drawing/crossings.ts); over and under are set as the learner would, at
 * the crossings the knot has; those that the shaking adds stay as they were laid.
 *
 *     php bench/drawn.php [PATHS]
 */

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Practice\Drawn;
use Compadre\Core\Practice\Table;
use Compadre\Core\Refusal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require dirname(__DIR__).'/vendor/autoload.php';

const SHAKES = [0.15, 0.35, 0.7];
const MATCHES_WITHIN = 2.5;
const FINGER_STEP = 0.4;

$root = dirname(__DIR__);
$paths = (int) ($argv[1] ?? 50);
$library = Library::at("$root/packs");
$index = KnotIndex::forLearners($library);
$drawn = new Drawn($library, $index);

$ways = [];
foreach ($library->all() as $knot) {
    foreach ($knot->isTaught() && $knot->hasFingerprint() ? $knot->methods : [] as $method) {
        $method->steps === [] || $ways[] = [$knot, $method];
    }
}

/** A hand: a slow drift and a quick tremble, each of the size given. */
$shaken = static function (array $points, float $size, Randomizer $lots): array {
    $slow = [];
    foreach ([0, 1] as $axis) {
        $slow[$axis] = [$lots->getInt(0, 628) / 100, $lots->getInt(5, 12) / 100];
    }

    return array_map(static function (array $point, int $n) use ($size, $lots, $slow): array {
        foreach ([0, 1] as $axis) {
            [$phase, $pace] = $slow[$axis];
            $point[$axis] += $size * (sin($phase + $pace * $n) + $lots->getInt(-1000, 1000) / 1000 * 0.6);
        }

        return $point;
    }, $points, array_keys($points));
};

$cases = [];
$lots = new Randomizer(new Mt19937(2026));
foreach (SHAKES as $size) {
    for ($path = 0; $path < $paths; $path++) {
        [$knot, $method] = $ways[$lots->getInt(0, count($ways) - 1)];
        $diagram = DiagramBuilder::loose($method, $knot->file);
        $lines = [];
        foreach (Table::of($knot, $method, View::Learner)['strands'] as $number => $strand) {
            $points = $strand['points'];
            if ($strand['rope']) {
                $curve = $diagram->strands[$number]->curve;
                $count = (int) ceil($curve->length() / FINGER_STEP);
                $points = array_map(static fn (int $n): array => [($at = $curve->pointAt($curve->length() * $n / $count))->x, $at->y], range(0, $count));
                $points = [$points[0], ...$shaken(array_slice($points, 1), $size, $lots)];
            }
            $lines[] = ['id' => $strand['id'], 'points' => $points, 'holds' => $strand['held'] !== null, 'rope' => $strand['rope']];
        }
        $crossings = array_map(static fn ($one): array => ['over' => $one->over, 'under' => $one->under, 'at' => [$one->at->x, $one->at->y], 'shares' => [$one->overAt / max(1e-9, $diagram->strands[$one->over]->curve->length()), $one->underAt / max(1e-9, $diagram->strands[$one->under]->curve->length())]], $diagram->crossings);
        $cases[] = ['size' => $size, 'knot' => $knot->id, 'method' => $method->id, 'lines' => $lines, 'crossings' => $crossings];
    }
}

$script = <<<'JS'
import { readFileSync, writeFileSync } from 'node:fs';
import ts from 'typescript';
const [source, from, to, within] = process.argv.slice(2);
const module = ts.transpileModule(readFileSync(source, 'utf8'), { compilerOptions: { module: 'esnext', target: 'es2022' } }).outputText;
const { steady, meetings, told } = await import('data:text/javascript;base64,' + Buffer.from(module).toString('base64'));
const answers = JSON.parse(readFileSync(from, 'utf8')).map((one) => {
  const lines = one.lines.map((line) => ({ ...line, points: line.rope ? steady(line.points) : line.points }));
  const share = (number, at) => at / Math.max(1, lines[number].points.length - 1);
  const found = meetings(lines).map((cut) => {
    if (cut.fixed) return cut;
    // The crossing of the knot that the learner sees there.
    const seen = one.crossings
      .map((true_) => ({ true_, far: Math.hypot(true_.at[0] - cut.at[0], true_.at[1] - cut.at[1]) }))
      .filter(({ true_, far }) => far < Number(within) && new Set([true_.over, true_.under, cut.first, cut.second]).size === new Set([cut.first, cut.second]).size)
      .sort((a, b) => a.far - b.far)[0];
    if (!seen) return cut;
    const { over, under, shares } = seen.true_;
    const firstOver = over === under
      ? Math.abs(share(cut.first, cut.firstAt) - shares[0]) < Math.abs(share(cut.first, cut.firstAt) - shares[1])
      : over === cut.first;
    return { ...cut, firstOver };
  });
  const { visits, turns } = told(lines, found);
  return { visits, turns };
});
writeFileSync(to, JSON.stringify(answers));
JS;

$folder = sys_get_temp_dir().'/compadre-drawn-'.getmypid();
mkdir($folder);
file_put_contents("$folder/in.json", json_encode($cases));
// Beside the modules it needs.
$runner = "$root/.build/drawn.mjs";
is_dir("$root/.build") || mkdir("$root/.build");
file_put_contents($runner, $script);
passthru(sprintf('node %s %s %s %s %s', escapeshellarg($runner), escapeshellarg("$root/resources/js/drawing/crossings.ts"), escapeshellarg("$folder/in.json"), escapeshellarg("$folder/out.json"), MATCHES_WITHIN), $status);
$status === 0 || exit($status);
$answers = json_decode((string) file_get_contents("$folder/out.json"), true);
array_map(unlink(...), [$runner, "$folder/in.json", "$folder/out.json"]);
rmdir($folder);

$tally = $added = $took = [];
foreach ($cases as $number => $case) {
    ['visits' => $visits, 'turns' => $turns] = $answers[$number];
    $knot = $library->knot($case['knot']);
    $started = hrtime(true);
    try {
        $kind = $drawn->says($knot, $knot->method($case['method']), View::Learner, $visits, $turns)['kind'];
    } catch (Refusal) {
        $kind = 'refused';
    }
    $took[] = (hrtime(true) - $started) / 1e6;
    $tally[(string) $case['size']][$kind] = ($tally[(string) $case['size']][$kind] ?? 0) + 1;
    $added[(string) $case['size']][] = count($turns) - count($case['crossings']);
}
foreach ($tally as $size => $kinds) {
    printf("shaken by %s rope widths: named %d of %d (%s); crossings added %.1f\n", $size, ($kinds['same'] ?? 0) + ($kinds['equally-good'] ?? 0), $paths, json_encode($kinds), array_sum($added[$size]) / $paths);
}
sort($took);
printf("a drawing is told in %.0f ms (median), %.0f ms at most\n", $took[intdiv(count($took), 2)], max($took));
