<?php

declare(strict_types=1);

require_once __DIR__.'/Braids.php';

use Compadre\Core\Refusal;
use Compadre\Core\Tests\Topology\Braids;
use Compadre\Core\Topology\ContractionOrder;
use Compadre\Core\Topology\Laurent;
use Compadre\Core\Topology\PdCode;
use Compadre\Core\Topology\Tangle;

function jonesOf(int $strands, array $word): Laurent
{
    return PdCode::of(Braids::closure($strands, $word))->jones();
}

/** Written in powers of t, lowest first: [lowest, coefficients]. */
function powersOfT(int $lowest, int ...$coefficients): array
{
    $terms = [];
    foreach ($coefficients as $n => $coefficient) {
        $terms[2 * ($lowest + $n)] = $coefficient;
    }

    return array_filter($terms);
}

/** The same knot up to a mirror image: tables do not agree on hands. */
function isOrMirrors(Laurent $found, array $terms): bool
{
    $table = Laurent::of($terms);

    return $found->equals($table) || $found->equals($table->mirrored());
}

it('gives the published values for the right-handed trefoil, the unknot and the unlink', function (): void {
    expect(PdCode::of([[1, 5, 2, 4], [3, 1, 4, 6], [5, 3, 6, 2]])->jones()->terms)->toBe([2 => 1, 6 => 1, 8 => -1]);
    expect(PdCode::of([])->jones()->terms)->toBe([0 => 1]);
    // Two circles, one lying on the other.
    $unlink = PdCode::of([[1, 3, 2, 4], [2, 3, 1, 4]]);
    expect($unlink->jones()->terms)->toBe([-1 => -1, 1 => -1])->and($unlink->components())->toBe(2)->and($unlink->linking())->toBe(['0-1' => 0]);
});

// Coefficients from the table in V. F. R. Jones, "A polynomial invariant for knots via von Neumann algebras", Bull. AMS 12
// (1985), and C. C. Adams, "The Knot Book" (1994); braid words from Jones, "Hecke algebra representations", Annals 126 (1987).
it('gives the published polynomials of the prime knots to seven crossings', function (int $strands, array $word, array $terms): void {
    expect(isOrMirrors(jonesOf($strands, $word), $terms))->toBeTrue();
})->with([
    '3_1' => [2, [1, 1, 1], powersOfT(1, 1, 0, 1, -1)],
    '4_1' => [3, [1, -2, 1, -2], powersOfT(-2, 1, -1, 1, -1, 1)],
    '5_1' => [2, [1, 1, 1, 1, 1], powersOfT(2, 1, 0, 1, -1, 1, -1)],
    '5_2' => [3, [1, 1, 1, 2, -1, 2], powersOfT(1, 1, -1, 2, -1, 1, -1)],
    '6_1' => [4, [1, 1, 2, -1, -3, 2, -3], powersOfT(-4, 1, -1, 1, -2, 2, -1, 1)],
    '6_2' => [3, [1, 1, 1, -2, 1, -2], powersOfT(-1, 1, -1, 2, -2, 2, -2, 1)],
    '6_3' => [3, [1, 1, -2, 1, -2, -2], powersOfT(-3, -1, 2, -2, 3, -2, 2, -1)],
    '7_1' => [2, [1, 1, 1, 1, 1, 1, 1], powersOfT(3, 1, 0, 1, -1, 1, -1, 1, -1)],
    '7_2' => [4, [1, 1, 1, 2, -1, 2, 3, -2, 3], powersOfT(1, 1, -1, 2, -2, 2, -1, 1, -1)],
    '7_3' => [3, [1, 1, 1, 1, 1, 2, -1, 2], powersOfT(2, 1, -1, 2, -2, 3, -2, 1, -1)],
    '7_4' => [4, [1, 1, 2, -1, 2, 2, 3, -2, 3], powersOfT(1, 1, -2, 3, -2, 3, -2, 1, -1)],
    '7_5' => [3, [1, 1, 1, 1, 2, -1, 2, 2], powersOfT(2, 1, -1, 3, -3, 3, -3, 2, -1)],
    '7_6' => [4, [1, 1, -2, 1, 3, -2, 3], powersOfT(-1, 1, -2, 3, -3, 4, -3, 2, -1)],
    '7_7' => [4, [1, -2, 1, -2, 3, -2, 3], powersOfT(-3, -1, 3, -3, 4, -4, 3, -2, 1)],
]);

it('follows the closed formula for torus knots', function (int $p, int $q): void {
    // t^((p-1)(q-1)/2) (1 - t^(p+1) - t^(q+1) + t^(p+q)) / (1 - t^2), Jones 1987, cleared of its denominator.
    $word = array_merge(...array_fill(0, $q, range(1, $p - 1)));
    $left = jonesOf($p, $word)->times(Laurent::of([0 => 1, 4 => -1]));
    $right = Laurent::monomial(($p - 1) * ($q - 1))->times(Laurent::of([0 => 1, 2 * ($p + 1) => -1])->plus(Laurent::of([2 * ($q + 1) => -1, 2 * ($p + $q) => 1])));
    expect($left->terms)->toBe($right->terms);
})->with([[2, 3], [2, 5], [2, 7], [2, 9], [3, 4], [3, 5], [3, 7], [4, 5], [5, 6]]);

it('gives the published values for links', function (int $strands, array $word, array $terms, int $components, array $linking): void {
    $code = PdCode::of(Braids::closure($strands, $word));
    expect(isOrMirrors($code->jones(), $terms))->toBeTrue();
    expect($code->components())->toBe($components);
    expect(array_map(abs(...), $code->linking()))->toBe($linking);
})->with([
    'Hopf' => [2, [1, 1], [1 => -1, 5 => -1], 2, ['0-1' => 1]],
    'the torus link (2, 4)' => [2, [1, 1, 1, 1], [3 => -1, 7 => -1, 9 => 1, 11 => -1], 2, ['0-1' => 2]],
    'Whitehead' => [3, [1, -2, 1, -2, -2], [-3 => -1, -1 => 1, 1 => -2, 3 => 1, 5 => -2, 7 => 1], 2, ['0-1' => 0]],
    'Borromean rings' => [3, [1, -2, 1, -2, 1, -2], [-6 => -1, -4 => 3, -2 => -2, 0 => 4, 2 => -2, 4 => 3, 6 => -1], 3, ['0-1' => 0, '0-2' => 0, '1-2' => 0]],
]);

it('inverts its powers for the mirror image', function (): void {
    mt_srand(11);
    foreach (range(1, 60) as $ignored) {
        $code = PdCode::of(Braids::closure(3, randomWord(3, 8)));
        $mirror = PdCode::of(Braids::mirrored($code->crossings, $code->signs));
        expect($mirror->jones()->terms)->toBe($code->jones()->mirrored()->terms);
        expect($mirror->writhe())->toBe(-$code->writhe());
    }
});

it('multiplies for connected sums', function (): void {
    // Stacked side by side, two braids share one strand.
    foreach ([[[1, 1, 1], [1, 1, 1]], [[1, 1, 1], [-1, -1, -1]], [[1, 1, 1, 1, 1], [1, 1, 1]]] as [$first, $second]) {
        $sum = jonesOf(3, [...$first, ...array_map(static fn (int $letter): int => $letter > 0 ? 2 : -2, $second)]);
        expect($sum->terms)->toBe(jonesOf(2, $first)->times(jonesOf(2, $second))->terms);
    }
});

function randomWord(int $strands, int $length): array
{
    // Every strand is used: one without a crossing would not stand in the code.
    return [...range(1, $strands - 1), ...array_map(static fn (): int => mt_rand(1, $strands - 1) * (mt_rand(0, 1) === 0 ? 1 : -1), range(1, $length))];
}

it('does not change under the Reidemeister moves', function (): void {
    mt_srand(7);
    foreach (range(1, 120) as $n) {
        $strands = 3 + $n % 2;
        $word = randomWord($strands, 9);
        $plain = jonesOf($strands, $word)->terms;
        $cut = mt_rand(0, count($word));
        $put = static fn (int ...$letters): array => [...array_slice($word, 0, $cut), ...$letters, ...array_slice($word, $cut)];
        $one = mt_rand(1, $strands - 1);
        // I: a new strand joined by one crossing (Markov's stabilisation). II: a letter and its inverse.
        expect(jonesOf($strands + 1, [...$word, $n % 2 === 0 ? $strands : -$strands])->terms)->toBe($plain);
        expect(jonesOf($strands, $put($one, -$one))->terms)->toBe($plain);
        expect(jonesOf($strands, $put(-$one, $one))->terms)->toBe($plain);
        // III: both sides of the braid relation, put in at one place.
        $low = mt_rand(1, $strands - 2);
        foreach ([[1, 1, 1], [-1, -1, -1], [1, 1, -1], [-1, 1, 1]] as [$a, $b, $c]) {
            $left = [$a * $low, $b * ($low + 1), $c * $low];
            $right = [$c * ($low + 1), $b * $low, $a * ($low + 1)];
            expect(jonesOf($strands, $put(...$left))->terms)->toBe(jonesOf($strands, $put(...$right))->terms);
        }
    }
})->group('long');

it('keeps to the skein relation', function (): void {
    mt_srand(5);
    foreach (range(1, 60) as $ignored) {
        $word = randomWord(3, 7);
        $with = static fn (int ...$letters): Laurent => jonesOf(3, [...$word, ...$letters]);
        // t^-1 V+ - t V- = (t^(1/2) - t^(-1/2)) V0.
        $left = $with(1)->times(Laurent::monomial(-2))->plus($with(-1)->times(Laurent::monomial(2, -1)));
        expect($left->terms)->toBe($with()->times(Laurent::of([1 => 1, -1 => -1]))->terms);
    }
});

it('takes forty crossings of a three-strand braid without leaving whole numbers', function (): void {
    $word = array_merge(...array_fill(0, 20, [1, -2]));
    $jones = jonesOf(3, $word);
    // The determinant of this closure is the Lucas number L(40) less 2: Turk's heads of three strands.
    expect(array_sum(array_map(abs(...), $jones->terms)))->toBe(228_826_125);
    expect($jones->terms)->toBe($jones->mirrored()->terms);
    expect(array_sum(array_map(static fn (int $power, int $coefficient): int => $power % 4 === 0 ? $coefficient : -$coefficient, array_keys($jones->terms), $jones->terms)))->toBe(228_826_125);
});

it('finds the direction of a component that lies on top everywhere from its numbers', function (array $pd, array $signs): void {
    // A circle laid in waves over another: down, up, down, up.
    $code = PdCode::of($pd);
    expect($code->signs)->toBe($signs);
    expect($code->linking())->toBe(['0-1' => 0]);
    expect($code->components())->toBe(2);
    expect($code->jones()->terms)->toBe([-1 => -1, 1 => -1]);
})->with([
    'numbered one way' => [[[1, 5, 2, 8], [2, 5, 3, 6], [3, 7, 4, 6], [4, 7, 1, 8]], [1, -1, 1, -1]],
    'and the other' => [[[1, 8, 2, 5], [2, 8, 3, 7], [3, 6, 4, 7], [4, 6, 1, 5]], [-1, 1, -1, 1]],
]);

it('takes diagrams in several parts', function (): void {
    // Two trefoils side by side that do not touch.
    $trefoil = [[1, 5, 2, 4], [3, 1, 4, 6], [5, 3, 6, 2]];
    $both = [...$trefoil, ...array_map(static fn (array $edges): array => array_map(static fn (int $edge): int => $edge + 6, $edges), $trefoil)];
    $code = PdCode::of($both);
    $single = Laurent::of([2 => 1, 6 => 1, 8 => -1]);
    expect($code->components())->toBe(2)->and($code->writhe())->toBe(6);
    expect($code->jones()->terms)->toBe($single->times($single)->times(Laurent::of([1 => -1, -1 => -1]))->terms);
});

it('refuses what is no planar diagram, by place and edge', function (array $pd, string $field, string $allowed): void {
    try {
        PdCode::of($pd);
        $this->fail('refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->allowed)->toContain($allowed);
    }
})->with([
    'an edge once' => [[[1, 5, 2, 4], [3, 1, 4, 6], [5, 3, 6, 5]], '/pd/2/3', 'each edge exactly twice'],
    'an edge three times' => [[[1, 1, 2, 1], [3, 2, 4, 4]], '/pd/0/3', 'each edge exactly twice'],
    'an edge beyond the numbers' => [[[1, 1, 2, 7]], '/pd/0/3', 'from 1 to 2'],
    'an edge of nought' => [[[0, 1, 1, 0]], '/pd/0/0', 'from 1 to 2'],
    'an edge that arrives twice' => [[[1, 2, 3, 4], [1, 3, 2, 4]], '/pd/1/0', 'leaves one crossing and arrives'],
    'a diagram on a torus' => [[[1, 3, 2, 4], [2, 4, 1, 3]], '/pd', 'lies in the plane'],
]);

it('refuses work beyond its bounds, and says how much it would be', function (): void {
    mt_srand(2);
    $wide = Braids::closure(20, array_merge(...array_map(static fn (): array => range(1, 19), range(1, 20))));
    expect(fn () => PdCode::of($wide)->jones())->toThrow(fn (Refusal $refusal) => expect($refusal->getMessage())->toMatch('/380 crossings would need about \d+ states/'));
    $narrow = ContractionOrder::of(new Tangle(Braids::closure(2, array_fill(0, 80, 1)), []));
    expect($narrow->cost)->toBeLessThan(200.0);
    expect(array_sum($narrow->crossings))->toBe(79 * 40);
})->group('long');

it('takes crossings in along the strands, in whatever order they are written', function (): void {
    // Along a two-strand braid the frontier never has more than four open edges: two states at each crossing but the last.
    $crossings = Braids::closure(2, array_fill(0, 60, 1));
    mt_srand(4);
    foreach (range(1, 5) as $ignored) {
        shuffle($crossings);
        $order = ContractionOrder::of(new Tangle($crossings, []));
        expect($order->cost)->toBe(2.0 * 59 + 1);
        $sorted = $order->crossings;
        sort($sorted);
        expect($sorted)->toBe(range(0, 59));
    }
    expect(ContractionOrder::of(new Tangle([], []))->crossings)->toBe([])->and(ContractionOrder::of(new Tangle([], []))->cost)->toBe(0.0);
    // Three strands: six open edges, five states, at the widest.
    expect(ContractionOrder::of(new Tangle(Braids::closure(3, array_merge(...array_fill(0, 10, [1, -2]))), []))->cost)->toBeLessThanOrEqual(5.0 * 20);
});

it('refuses to round', function (): void {
    expect(fn () => Laurent::of([0 => PHP_INT_MAX])->plus(Laurent::of([0 => 1])))->toThrow(OverflowException::class);
    expect(fn () => Laurent::of([0 => PHP_INT_MAX])->times(Laurent::of([1 => 2])))->toThrow(OverflowException::class);
});
