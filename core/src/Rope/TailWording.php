<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Words\Saying;

/**
 * The sentences of the tail rule.
 */
final class TailWording
{
    /** @param  array{m: float, floor: float}  $rule */
    public static function required(int $required, RopeInHand $rope, TailSchool $school, array $rule, float $byDiameter, float $extra): Saying
    {
        $times = ['times' => self::plain($rule['m']), 'rope' => $rope->said(), 'grip' => self::grip($byDiameter, $rule['m'] * ($rope->width ?? $rope->diameter))];
        $diameters = $rope->width === null ? new Saying('rope.tail_diameters', $times) : new Saying('rope.tail_widths', $times);
        $why = match ($school) {
            TailSchool::Fixed => new Saying('rope.tail_fixed', ['floor' => self::plain($rule['floor'])]),
            TailSchool::Diameters => $diameters,
            TailSchool::Longer => $byDiameter > $rule['floor'] ? $diameters : new Saying('rope.tail_floor', ['floor' => self::plain($rule['floor'])]),
        };

        return $extra > 0
            ? new Saying('rope.tail_required_backup', ['least' => $required, 'why' => $why, 'extra' => self::plain($extra)])
            : new Saying('rope.tail_required', ['least' => $required, 'why' => $why]);
    }

    public static function reason(TailVerdict $verdict, RequiredTail $required, float $measured, Measure $by, float $uncertainty): Saying
    {
        return match ($verdict) {
            TailVerdict::Short => new Saying('rope.tail_short', ['gap' => self::plain(abs($measured - $required->millimetres)), 'required' => $required->reason]),
            TailVerdict::Borderline => new Saying('rope.tail_borderline', ['by' => $by->value, 'uncertainty' => self::plain($uncertainty), 'required' => $required->reason]),
            TailVerdict::Good => new Saying('rope.tail_good', ['measured' => self::plain($measured), 'required' => $required->reason]),
            TailVerdict::Long => new Saying('rope.tail_long', ['measured' => self::plain($measured), 'required' => $required->reason]),
        };
    }

    private static function grip(float $asked, float $bare): Saying
    {
        $ratio = $asked / $bare;

        return match (true) {
            $ratio > 1.001 => new Saying('rope.slips_more', ['ratio' => self::plain(round($ratio, 2))]),
            $ratio < 0.999 => new Saying('rope.grips_well', ['ratio' => self::plain(round($ratio, 2))]),
            default => new Saying('rope.grips_as_usual'),
        };
    }

    /** To as many digits as can be told apart. */
    private static function plain(float $value): float
    {
        return round($value, abs($value) < 10 ? 2 : 1);
    }
}
