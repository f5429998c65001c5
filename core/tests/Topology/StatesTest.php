<?php

declare(strict_types=1);

require_once __DIR__.'/Braids.php';

use Compadre\Core\Tests\Topology\Braids;
use Compadre\Core\Topology\PdCode;

/**
 * The Jones polynomial by its definition (L. H. Kauffman, "State models and the Jones polynomial", Topology 26, 1987): all ways of
 * opening every crossing one way or the other are gone through, and the circles that are left counted.
 *
 * @param  list<array{int, int, int, int}>  $crossings
 * @return array<int, int> by powers of the square root of t
 */
function jonesByStates(array $crossings, int $writhe): array
{
    $many = count($crossings);
    $bracket = [];
    for ($state = 0; $state < 2 ** $many; $state++) {
        $joined = range(0, 2 * $many);
        $root = static function (int $edge) use (&$joined): int {
            while ($joined[$edge] !== $edge) {
                $edge = $joined[$edge];
            }

            return $edge;
        };
        $power = 0;
        foreach ($crossings as $n => [$a, $b, $c, $d]) {
            $isA = ($state >> $n & 1) === 0;
            $power += $isA ? 1 : -1;
            foreach ($isA ? [[$a, $b], [$c, $d]] : [[$a, $d], [$b, $c]] as [$one, $other]) {
                $joined[$root($one)] = $root($other);
            }
        }
        $circles = count(array_unique(array_map($root, range(1, 2 * $many))));
        // One factor of -A^2 - A^-2 for each circle but the first, written out by the binomial theorem.
        $choose = 1;
        for ($k = 0; $k < $circles; $k++) {
            $exponent = $power + 2 * ($circles - 1) - 4 * $k;
            $bracket[$exponent] = ($bracket[$exponent] ?? 0) + (($circles - 1) % 2 === 0 ? $choose : -$choose);
            $choose = intdiv($choose * ($circles - 1 - $k), $k + 1);
        }
    }
    $terms = [];
    foreach ($bracket as $exponent => $coefficient) {
        // Times (-A^3) to the minus writhe; t is A to the minus fourth.
        $terms[intdiv($exponent - 3 * $writhe, -2)] = $writhe % 2 === 0 ? $coefficient : -$coefficient;
    }
    ksort($terms);

    return array_filter($terms);
}

it('is what going through all states comes to, for braids of every kind', function (): void {
    expect(jonesByStates([[1, 5, 2, 4], [3, 1, 4, 6], [5, 3, 6, 2]], 3))->toBe([2 => 1, 6 => 1, 8 => -1]);
    mt_srand(81);
    $components = [];
    for ($case = 0; $case < 200; $case++) {
        $strands = mt_rand(2, 4);
        $word = [...range(1, $strands - 1), ...array_map(static fn (): int => mt_rand(1, $strands - 1) * (mt_rand(0, 1) === 0 ? 1 : -1), range(1, mt_rand(1, 6)))];
        shuffle($word);
        $code = PdCode::of(Braids::closure($strands, $word));
        // Every strand of a braid runs the same way, so a letter says the sign of its crossing.
        $writhe = array_sum(array_map(static fn (int $letter): int => $letter <=> 0, $word));
        expect($code->writhe())->toBe($writhe)->and($code->jones()->terms)->toBe(jonesByStates($code->crossings, $writhe), implode(' ', $word));
        $components[$code->components()] = true;
    }
    expect(count($components))->toBeGreaterThan(2);
});
