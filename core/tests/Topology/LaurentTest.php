<?php

declare(strict_types=1);

use Compadre\Core\Topology\Laurent;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * Polynomials are told apart by what they come to: at several places, reckoned in whole numbers that go round at a prime, a sum comes to the
 * sum and a product to the product, and two that are unlike come to something unlike somewhere.
 */

const PRIME = 1_000_003;

/** Its inverse among the whole numbers that go round at the prime. */
function inverse(int $of): int
{
    for ($power = PRIME - 2, $result = 1, $base = $of % PRIME; $power > 0; $power >>= 1) {
        $result = ($power & 1) === 1 ? $result * $base % PRIME : $result;
        $base = $base * $base % PRIME;
    }

    return $result;
}

function polynomialAt(Laurent $polynomial, int $at): int
{
    $sum = 0;
    foreach ($polynomial->terms as $exponent => $coefficient) {
        $power = 1;
        for ($n = abs($exponent); $n > 0; $n--) {
            $power = $power * ($exponent > 0 ? $at : inverse($at)) % PRIME;
        }
        $sum = ($sum + $coefficient * $power) % PRIME;
    }

    return ($sum + PRIME) % PRIME;
}

function anyPolynomial(Randomizer $random): Laurent
{
    $terms = [];
    for ($n = $random->getInt(0, 5); $n > 0; $n--) {
        $terms[$random->getInt(-8, 8)] = $random->getInt(-9, 9);
    }

    return Laurent::of($terms);
}

it('adds, multiplies, raises and mirrors as the numbers do that it comes to', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(12));
    for ($case = 0; $case < 400; $case++) {
        [$a, $b, $at] = [anyPolynomial($random), anyPolynomial($random), $random->getInt(2, PRIME - 1)];
        [$x, $y] = [polynomialAt($a, $at), polynomialAt($b, $at)];
        expect(polynomialAt($a->plus($b), $at))->toBe(($x + $y) % PRIME)->and(polynomialAt($a->times($b), $at))->toBe($x * $y % PRIME)
            ->and(polynomialAt($a->power(3), $at))->toBe($x * $x % PRIME * $x % PRIME)->and($a->power(0)->key())->toBe('0:1')
            ->and(polynomialAt($a->mirrored(), $at))->toBe(polynomialAt($a, inverse($at)))->and($a->mirrored()->mirrored()->equals($a))->toBeTrue();
        // Whichever way it was come by, it is written in one way; nothing that is nought is written.
        expect($a->plus($b)->key())->toBe($b->plus($a)->key())->and($a->times($b)->key())->toBe($b->times($a)->key())
            ->and($a->plus(Laurent::of([3 => 2]))->plus(Laurent::of([3 => -2]))->equals($a))->toBeTrue()
            ->and($a->times(Laurent::zero())->isZero())->toBeTrue()
            ->and(in_array(0, $a->times($b)->terms, true))->toBeFalse();
        $alike = array_filter(range(2, 12), static fn (int $place): bool => polynomialAt($a, $place) === polynomialAt($b, $place));
        expect($a->equals($b))->toBe(count($alike) === 11, "$case: {$a->key()} and {$b->key()}");
    }
});

it('refuses a sum beyond 64 bits, and rounds none', function (): void {
    $large = Laurent::monomial(1, PHP_INT_MAX);
    expect($large->plus(Laurent::monomial(1, -1))->terms[1])->toBe(PHP_INT_MAX - 1)
        ->and(fn () => $large->plus(Laurent::monomial(1)))->toThrow(OverflowException::class)
        ->and(fn () => Laurent::of([0 => 1 << 40])->times(Laurent::of([0 => 1 << 40])))->toThrow(OverflowException::class);
});
