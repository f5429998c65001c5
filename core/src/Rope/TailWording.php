<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Data\Figure;

/**
 * The sentences of the tail rule.
 */
final class TailWording
{
    /** @param  array{m: float, floor: float}  $rule */
    public static function required(int $required, RopeInHand $rope, TailSchool $school, array $rule, float $byDiameter, float $extra): string
    {
        $across = $rope->width === null ? 'rope diameters' : 'tape widths';
        $diameters = sprintf('%s %s of %s, which %s', self::plain($rule['m']), $across, $rope->words(), self::grip($byDiameter, $rule['m'] * ($rope->width ?? $rope->diameter)));
        $why = match ($school) {
            TailSchool::Fixed => sprintf('the fixed length for this kind of knot, %s mm', self::plain($rule['floor'])),
            TailSchool::Diameters => $diameters,
            TailSchool::Longer => $byDiameter > $rule['floor']
                ? $diameters
                : sprintf('never less than %s mm for this kind of knot', self::plain($rule['floor'])),
        };
        $more = $extra > 0 ? sprintf(', and %s mm for the back-up knot', self::plain($extra)) : '';

        return sprintf('At least %d mm: %s%s.', $required, $why, $more);
    }

    public static function reason(TailVerdict $verdict, RequiredTail $required, float $measured, Measure $by, float $uncertainty): string
    {
        $gap = abs($measured - $required->millimetres);

        return match ($verdict) {
            TailVerdict::Short => sprintf('%s mm too short: loosen the knot and feed %s mm more rope through, no need to tie it again. %s', self::plain($gap), self::plain($gap), $required->reason),
            TailVerdict::Borderline => sprintf('Too close to tell by %s (give or take %s mm): measure with a ruler or the gauge. %s', $by->words(), self::plain($uncertainty), $required->reason),
            TailVerdict::Good => sprintf('Long enough: %s mm. %s', self::plain($measured), $required->reason),
            TailVerdict::Long => sprintf('Long enough, and longer than it needs to be (%s mm): trim it or tidy it away if it is in the way. %s', self::plain($measured), $required->reason),
        };
    }

    private static function grip(float $asked, float $bare): string
    {
        $ratio = $asked / $bare;

        return match (true) {
            $ratio > 1.001 => sprintf('slips more (x %s)', self::plain(round($ratio, 2))),
            $ratio < 0.999 => sprintf('grips well (x %s)', self::plain(round($ratio, 2))),
            default => 'grips as usual',
        };
    }

    private static function plain(float $value): string
    {
        return Figure::of($value, abs($value) < 10 ? 2 : 1);
    }
}
