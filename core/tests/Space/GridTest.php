<?php

declare(strict_types=1);

use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\NearPairs;
use Compadre\Core\Space\PushOut;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\Vector;

/** @return float from 0 to 1 */
function chance(): float
{
    return mt_rand(0, 1_000_000) / 1_000_000;
}

/**
 * Ropes that wander about, crowded enough to come near each other.
 *
 * @return array{list<float>, list<float>, list<float>, list<array{int, int, bool, string}>}
 */
function wanderingRopes(int $many, float $spacing): array
{
    $x = $y = $z = $ropes = [];
    for ($rope = 0; $rope < $many; $rope++) {
        $first = count($x);
        $at = [6 * chance() - 3, 6 * chance() - 3, 6 * chance() - 3];
        for ($k = mt_rand(8, 60); $k > 0; $k--) {
            [$x[], $y[], $z[]] = $at;
            $way = Vector::way([0.0, 0.0, 0.0], [chance() - 0.5 - $at[0] / 20, chance() - 0.5 - $at[1] / 20, chance() - 0.5 - $at[2] / 20]);
            foreach ([0, 1, 2] as $axis) {
                $at[$axis] += $spacing * $way[$axis];
            }
        }
        $ropes[] = [$first, count($x) - 1, chance() < 0.5, "rope $rope"];
    }

    return [$x, $y, $z, $ropes];
}

it('finds by its grid the pairs that comparing each point with each other finds', function (): void {
    mt_srand(41);
    $all = 0;
    for ($case = 0; $case < 200; $case++) {
        $spacing = [0.2, 0.4, 0.5][$case % 3];
        $within = [1.0, 1.3, 2.0][$case % 7 % 3];
        [$x, $y, $z, $ropes] = wanderingRopes(mt_rand(1, 4), $spacing);
        [$a, $b] = NearPairs::of($x, $y, $z, $ropes, $spacing, $within);
        $found = array_map(null, $a, $b);
        sort($found);
        $expected = [];
        $least = 2.0;
        foreach ($ropes as $one => [$first, $last]) {
            foreach ($ropes as $two => [$from, $to, $closed]) {
                for ($i = $first; $one <= $two && $i <= $last; $i++) {
                    for ($j = max($from, $one === $two ? $i + 1 : 0); $j <= $to; $j++) {
                        $far = Vector::distance([$x[$i], $y[$i], $z[$i]], [$x[$j], $y[$j], $z[$j]]);
                        // Along a closed rope there are two ways from one to the other.
                        $between = $closed ? min($j - $i, $to - $from + 1 - ($j - $i)) : $j - $i;
                        if ($far < $within && ($one !== $two || $between * $spacing >= Nearness::APART - 1e-9)) {
                            $expected[] = [$i, $j];
                            $least = min($least, $far);
                        }
                    }
                }
            }
        }
        sort($expected);
        expect($found)->toBe($expected)->and(NearPairs::least($x, $y, $z, $a, $b))->toEqualWithDelta($least, 1e-12);
        $all += count($expected);
    }
    expect($all)->toBeGreaterThan(10_000);
});

it('pushes a rope straight out of what it is tied to, and no further than its surface', function (bool $ring): void {
    mt_srand(42);
    $moved = 0;
    for ($case = 0; $case < 300; $case++) {
        $from = [4 * chance() - 2, 4 * chance() - 2, 4 * chance() - 2];
        // A ring lies flat.
        $to = $ring ? [$from[0] + 3 + 3 * chance(), $from[1], $from[2]] : [4 * chance() - 2, 4 * chance() - 2, 4 * chance() - 2];
        $solid = new Solid($ring ? StrandKind::Ring : StrandKind::Pole, $from, $to, 0.3 + chance());
        $before = array_map(static fn (): array => [8 * chance() - 4, 8 * chance() - 4, 8 * chance() - 4], range(1, 20));
        [$x, $y, $z] = [array_column($before, 0), array_column($before, 1), array_column($before, 2)];
        PushOut::of($solid, $x, $y, $z);
        foreach ($before as $k => $was) {
            $now = [$x[$k], $y[$k], $z[$k]];
            $far = nearestOn($solid, $was);
            $clear = $solid->radius + 0.5;
            if ($far[0] === null || $far[0] >= $clear) {
                expect($now)->toBe($was);

                continue;
            }
            $moved++;
            expect(Vector::distance($far[1], $now))->toEqualWithDelta($clear, 1e-6);
            // Straight out: what is nearest is the same, and the three lie on one line.
            expect(Vector::distance($was, $now))->toEqualWithDelta($clear - $far[0], 1e-6);
        }
    }
    expect($moved)->toBeGreaterThan(100);
})->with(['a pole' => false, 'a ring' => true]);

/**
 * The slow way: the place of the middle line that is nearest, beside a bar no place at all.
 *
 * @param  array{float, float, float}  $place
 * @return array{?float, array{float, float, float}}
 */
function nearestOn(Solid $solid, array $place): array
{
    [$least, $at] = [null, [0.0, 0.0, 0.0]];
    if ($solid->isRing()) {
        [$cx, $cy, $cz] = $solid->centre();
        $angle = atan2($place[1] - $cy, $place[0] - $cx);
        $at = [$cx + $solid->length() / 2 * cos($angle), $cy + $solid->length() / 2 * sin($angle), $cz];

        return [Vector::distance($at, $place), $at];
    }
    $way = $solid->way();
    $along = Vector::dot($way, [$place[0] - $solid->from[0], $place[1] - $solid->from[1], $place[2] - $solid->from[2]]);
    if ($along < 0 || $along > $solid->length()) {
        return [null, $at];
    }
    $at = [$solid->from[0] + $along * $way[0], $solid->from[1] + $along * $way[1], $solid->from[2] + $along * $way[2]];

    return [Vector::distance($at, $place), $at];
}

it('turns as the right hand does, and goes one long', function (): void {
    expect(Vector::cross([1.0, 0.0, 0.0], [0.0, 1.0, 0.0]))->toBe([0.0, 0.0, 1.0])->and(Vector::way([1.0, 1.0, 1.0], [1.0, 1.0, 1.0]))->toBe([0.0, 0.0, 0.0]);
    mt_srand(43);
    for ($case = 0; $case < 300; $case++) {
        [$u, $v] = [[chance() - 0.5, chance() - 0.5, chance() - 0.5], [chance() - 0.5, chance() - 0.5, chance() - 0.5]];
        $across = Vector::cross($u, $v);
        expect(Vector::dot($across, $u))->toEqualWithDelta(0.0, 1e-12)->and(Vector::dot($across, $v))->toEqualWithDelta(0.0, 1e-12);
        // Lagrange's identity.
        expect(Vector::dot($across, $across))->toEqualWithDelta(Vector::dot($u, $u) * Vector::dot($v, $v) - Vector::dot($u, $v) ** 2, 1e-12);
        $way = Vector::way($u, $v);
        expect(Vector::dot($way, $way))->toEqualWithDelta(1.0, 1e-9)->and($u[0] + $way[0] * Vector::distance($u, $v))->toEqualWithDelta($v[0], 1e-9);
    }
});
