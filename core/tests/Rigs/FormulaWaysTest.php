<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\Functions;
use Compadre\Core\Rigs\Formula\Language;
use Compadre\Core\Rigs\Formula\Unit;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

require_once __DIR__.'/Workbench.php';

/**
 * A formula by chance, worked out while it is written: by hand, with its powers of length and of force beside each number.
 */
final class ByHandFormula
{
    public const UNITS = ['span' => 'mm', 'height' => 'mm', 'load' => 'n', 'weight' => 'n_per_m', 'many' => 'count', 'part' => 'ratio'];

    private const POWERS = ['mm' => [1.0, 0.0], 'n' => [0.0, 1.0], 'n_per_m' => [-1.0, 1.0], 'count' => [0.0, 0.0], 'ratio' => [0.0, 0.0]];

    /** @param  array<string, float>  $values */
    public function __construct(private readonly Randomizer $random, private readonly array $values)
    {
    }

    /** @return array{string, float, ?array{float, float}} the text, what it comes to, and in what; null where its units do not fit */
    public function any(int $deep): array
    {
        $kind = $deep === 0 ? $this->random->getInt(0, 1) : $this->random->getInt(0, 9);
        if ($kind === 0) {
            $number = $this->random->getInt(1, 40) / [1, 2, 4][$this->random->getInt(0, 2)];

            return [(string) $number, (float) $number, [0.0, 0.0]];
        }
        if ($kind === 1) {
            $name = array_keys(self::UNITS)[$this->random->getInt(0, count(self::UNITS) - 1)];

            return [$name, $this->values[$name], self::POWERS[self::UNITS[$name]]];
        }
        [$a, $x, $p] = $this->any($deep - 1);
        if ($kind === 2) {
            return ["abs(-$a)", abs(-$x), $p];
        }
        if ($kind === 3) {
            return ["(($a) ** 2)", $x ** 2, $p === null ? null : [2 * $p[0], 2 * $p[1]]];
        }
        if ($kind === 4) {
            return ["sqrt(abs($a))", sqrt(abs($x)), $p === null ? null : [$p[0] / 2, $p[1] / 2]];
        }
        // Mostly of one unit, so that not all of it is refused.
        [$b, $y, $q] = $this->random->getInt(0, 2) === 0 ? $this->any($deep - 1) : ["($a * 0.75)", $x * 0.75, $p];
        $same = $p !== null && $q !== null && abs($p[0] - $q[0]) + abs($p[1] - $q[1]) < 1e-9;

        return match ($kind) {
            5 => ["($a + $b)", $x + $y, $same ? $p : null],
            6 => ["($a - $b)", $x - $y, $same ? $p : null],
            7 => ["($a * $b)", $x * $y, $p === null || $q === null ? null : [$p[0] + $q[0], $p[1] + $q[1]]],
            8 => ["($a / $b)", $y == 0.0 ? NAN : $x / $y, $p === null || $q === null ? null : [$p[0] - $q[0], $p[1] - $q[1]]],
            default => [["max($a, $b)", "min($a, $b)", "($a > $b ? $a : $b)", "($a <= $b and not ($a == $b) ? $b : $a)"][$way = $this->random->getInt(0, 3)], $way === 1 ? min($x, $y) : max($x, $y), $same ? $p : null],
        };
    }
}

it('comes to what working it out by hand does, and lets no units through that do not fit', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(66));
    $language = new Language(new Functions(rigLibrary()));
    $rope = ropeAtWork(8);
    $units = array_map(Unit::of(...), ByHandFormula::UNITS);
    [$fits, $misfits] = [0, 0];
    for ($case = 0; $case < 2500; $case++) {
        $values = ['span' => (float) $random->getInt(100, 5000), 'height' => (float) $random->getInt(100, 5000), 'load' => (float) $random->getInt(1, 900), 'weight' => $random->getInt(1, 90) / 1000, 'many' => (float) $random->getInt(1, 9), 'part' => $random->getInt(1, 99) / 100];
        [$text, $value, $powers] = (new ByHandFormula($random, $values))->any(4);
        try {
            $formula = $language->read($text, $units, '/at');
        } catch (Refusal $refusal) {
            expect($powers)->toBeNull("case $case: $text: {$refusal->getMessage()}")->and($refusal->field)->toBe('/at');
            $misfits++;

            continue;
        }
        expect($powers)->not->toBeNull("case $case: $text");
        if (! is_finite($value)) {
            expect(fn () => $formula->number($values, $rope))->toThrow(Refusal::class, 'comes to no number');

            continue;
        }
        $fits++;
        $near = max(1e-9, 1e-9 * abs($value));
        expect($formula->number($values, $rope))->toEqualWithDelta($value, $near, "case $case: $text");
        // In other measures it is the same: with lengths told in halves and forces in quarters it comes to as many more as its unit says.
        $other = ['span' => 2 * $values['span'], 'height' => 2 * $values['height'], 'load' => 4 * $values['load'], 'weight' => 2 * $values['weight']] + $values;
        $scale = 2 ** $powers[0] * 4 ** $powers[1];
        expect($formula->number($other, $rope))->toEqualWithDelta($value * $scale, 1000 * $near * max(1, $scale), "case $case: $text");
        // It is taken where its own unit is wanted, and nowhere else.
        expect($formula->unit->is(Unit::of('mm')))->toBe(abs($powers[0] - 1) + abs($powers[1]) < 1e-9)->and($formula->unit->is(Unit::of('n')))->toBe(abs($powers[0]) + abs($powers[1] - 1) < 1e-9);
    }
    expect($fits)->toBeGreaterThan(1000)->and($misfits)->toBeGreaterThan(300);
});
