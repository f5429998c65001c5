<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Formula;

use Closure;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Bundle;
use Compadre\Core\Rigs\Line;
use Compadre\Core\Rigs\Packed;

/**
 * What a rig's formulas may call: plain mathematics, and what this product knows of rope, lashings, lines, bundles and friction.
 * `same` stands for any one unit that all of them share.
 */
final readonly class Functions
{
    /** By name: what it takes and what it gives. */
    private const SIGNATURES = [
        'mm' => [['ratio'], 'mm'], 'n' => [['ratio'], 'n'], 'pi' => [[], 'ratio'],
        'min' => [['same', 'same'], 'same'], 'max' => [['same', 'same'], 'same'], 'abs' => [['same'], 'same'], 'up' => [['same', 'same'], 'same'],
        'ceil' => [['ratio'], 'count'], 'floor' => [['ratio'], 'count'], 'sqrt' => [['same'], 'half'],
        'sin' => [['deg'], 'ratio'], 'cos' => [['deg'], 'ratio'], 'asin' => [['ratio'], 'deg'], 'atan' => [['ratio'], 'deg'],
        // Rope: in a knot, in its tail, round a thing so many times, round a thing on the way to a knot.
        'used' => [['text'], 'mm'], 'tail' => [['text'], 'mm'], 'turns' => [['count', 'mm'], 'mm'], 'tail_in' => [['text', 'mm', 'text'], 'mm'],
        // Lashings, rules.md section 4, and poles in a bundle.
        'lashing2' => [['text', 'mm', 'mm'], 'mm'], 'lashing3' => [['text', 'mm', 'mm', 'mm'], 'mm'],
        'band' => [['count', 'mm'], 'mm'], 'envelope' => [['count', 'mm'], 'mm'], 'ties' => [['mm'], 'count'],
        'packed_x' => [['count', 'count', 'mm'], 'mm'], 'packed_y' => [['count', 'count', 'mm'], 'mm'],
        // Lines under load, section 5: span, sag, load.
        'even_pull' => [['mm', 'mm', 'n_per_m'], 'n'], 'middle_pull' => [['mm', 'mm', 'n'], 'n'], 'hauling_gain' => [[], 'ratio'],
        // Grip, section 6.
        'grip' => [['ratio'], 'ratio'], 'taut_wraps' => [['mm'], 'count'], 'half_hitches' => [[], 'count'], 'slips' => [[], 'yes'], 'slippery' => [['text'], 'yes'], 'wet_share' => [['ratio'], 'ratio'],
    ];

    public function __construct(private Library $library)
    {
    }

    public function has(string $name): bool
    {
        return isset(self::SIGNATURES[$name]);
    }

    /**
     * @param  list<Unit>  $units  of what is handed over
     * @return ?Unit null where it does not take that
     */
    public function unit(string $name, array $units): ?Unit
    {
        [$takes, $gives] = self::SIGNATURES[$name];
        if (count($takes) !== count($units)) {
            return null;
        }
        foreach ($takes as $place => $word) {
            $fits = $word === 'same' ? $units[$place]->isNumber() && $units[$place]->is($units[0]) : $units[$place]->is(Unit::of($word));
            if (! $fits) {
                return null;
            }
        }

        return match ($gives) {
            'same' => $units[0],
            'half' => $units[0]->power(0.5),
            default => Unit::of($gives),
        };
    }

    public function takes(string $name): string
    {
        return '('.implode(', ', self::SIGNATURES[$name][0]).')';
    }

    /** @throws Refusal for a knot or a lashing that is not known */
    public function holdWord(string $name, int $place, string $word, string $at): void
    {
        if ($name === 'slippery' || $place > 0) {
            return;
        }
        if (in_array($name, ['used', 'tail', 'tail_in'], true)) {
            $this->library->knot($word, $at);
        } elseif (LashingKind::tryFrom($word) === null) {
            throw Refusal::of($at, $word, 'any.one_of', ['list' => array_column(LashingKind::cases(), 'value')]);
        }
    }

    /** @return array<string, Closure> each takes the rope at work, then what the formula hands it */
    public function all(): array
    {
        return [
            'mm' => static fn (RopeAtWork $rope, float $value): float => $value,
            'n' => static fn (RopeAtWork $rope, float $value): float => $value,
            'pi' => static fn (): float => M_PI,
            'min' => static fn (RopeAtWork $rope, float $a, float $b): float => min($a, $b),
            'max' => static fn (RopeAtWork $rope, float $a, float $b): float => max($a, $b),
            'abs' => static fn (RopeAtWork $rope, float $a): float => abs($a),
            'up' => static fn (RopeAtWork $rope, float $a, float $step): float => $step * ceil($a / $step - 1e-9),
            'ceil' => static fn (RopeAtWork $rope, float $a): float => ceil($a - 1e-9),
            'floor' => static fn (RopeAtWork $rope, float $a): float => floor($a + 1e-9),
            'sqrt' => static fn (RopeAtWork $rope, float $a): float => sqrt($a),
            'sin' => static fn (RopeAtWork $rope, float $a): float => sin(deg2rad($a)),
            'cos' => static fn (RopeAtWork $rope, float $a): float => cos(deg2rad($a)),
            'asin' => static fn (RopeAtWork $rope, float $a): float => rad2deg(asin($a)),
            'atan' => static fn (RopeAtWork $rope, float $a): float => rad2deg(atan($a)),
            'used' => static fn (RopeAtWork $rope, string $knot): float => $rope->used($knot),
            'tail' => static fn (RopeAtWork $rope, string $knot): float => $rope->tail($knot),
            'turns' => static fn (RopeAtWork $rope, float $turns, float $object): float => $rope->turns($turns, $object),
            'lashing2' => static fn (RopeAtWork $rope, string $kind, float $a, float $b): float => $rope->lashing($kind, [$a, $b])->advised(),
            'lashing3' => static fn (RopeAtWork $rope, string $kind, float $a, float $b, float $c): float => $rope->lashing($kind, [$a, $b, $c])->advised(),
            'band' => static fn (RopeAtWork $rope, float $poles, float $pole): float => Bundle::band((int) $poles, $pole, $rope->diameter()),
            'envelope' => static fn (RopeAtWork $rope, float $poles, float $pole): float => Bundle::envelope((int) $poles, $pole),
            'packed_x' => static fn (RopeAtWork $rope, float $poles, float $which, float $pole): float => Packed::poles((int) $poles, $pole)[(int) $which][0],
            'packed_y' => static fn (RopeAtWork $rope, float $poles, float $which, float $pole): float => Packed::poles((int) $poles, $pole)[(int) $which][1],
            'ties' => static fn (RopeAtWork $rope, float $length): float => count(Bundle::ties($length)),
            'even_pull' => static fn (RopeAtWork $rope, float $span, float $sag, float $load): float => Line::loadedEvenly($span, $sag, $load / Unit::scale('n_per_m'))->tension,
            'middle_pull' => static fn (RopeAtWork $rope, float $span, float $sag, float $load): float => Line::loadedAtTheMiddle($span, $sag, $load)->tension,
            'hauling_gain' => static fn (RopeAtWork $rope): float => $rope->haulingGain(),
            'grip' => static fn (RopeAtWork $rope, float $turns): float => $rope->grip($turns),
            'taut_wraps' => static fn (RopeAtWork $rope, float $held): float => $rope->tautWraps($held),
            'half_hitches' => static fn (RopeAtWork $rope): float => $rope->halfHitches(),
            'slippery' => static fn (RopeAtWork $rope, string $material): bool => $rope->isSlippery($material),
            'wet_share' => static fn (RopeAtWork $rope, float $turns): float => $rope->wetShare($turns),
            'tail_in' => static fn (RopeAtWork $rope, string $knot, float $diameter, string $material): float => $rope->tailIn($knot, $diameter, $material),
            'slips' => static fn (RopeAtWork $rope): bool => $rope->slips(),
        ];
    }
}
