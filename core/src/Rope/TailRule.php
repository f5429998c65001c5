<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Refusal;

/**
 * How long a tail has to be. required = max(floor, m x slip x d) + back-up, in mm; the constants are the
 * pack's (packs/materials/rope.json) and a group may replace them.
 */
final readonly class TailRule
{
    /**
     * @param  array<value-of<TailClass>, array{m: float, floor: float}>  $classes  by tail class; m in diameters (tape: in widths), floor in mm
     * @param  array<string, float>  $slip  by material
     */
    private function __construct(
        private array $classes,
        private array $slip,
        private float $wet,
        private float $backup,
        private float $longAbove,
    ) {
    }

    public static function fromPack(Fields $pack): self
    {
        $classes = [];
        foreach (TailClass::cases() as $class) {
            $rule = $pack->object('tail_classes')->object($class->value);
            $classes[$class->value] = ['m' => $rule->number('m'), 'floor' => $rule->number('floor_mm')];
        }
        $slip = [];
        foreach ($pack->map('materials') as $id => $material) {
            $slip[$id] = $material->number('slip');
        }

        return new self($classes, $slip, $pack->number('wet_slip'), $pack->number('backup_diameters'), $pack->number('long_above'));
    }

    /**
     * What this rope asks of a knot of this tail class, and what a measured tail comes to.
     *
     * @param  ?float  $measured  in mm, 0 or more; null when nothing was measured
     */
    public function judge(TailClass $class, RopeInHand $rope, TailSchool $school, bool $backup, ?float $measured, Measure $by): TailJudgement
    {
        if ($measured !== null && $measured < 0) {
            throw Refusal::of('/measured_mm', $measured, 'any.at_least', ['least' => 0]);
        }
        $required = $this->required($class, $rope, $school, $backup);
        $uncertainty = $by->uncertainty($measured ?? (float) $required->millimetres, $rope->across());
        if ($measured === null) {
            return new TailJudgement($required->millimetres, $uncertainty, null, $required->reason);
        }
        $verdict = match (true) {
            abs($measured - $required->millimetres) <= $uncertainty => TailVerdict::Borderline,
            $measured < $required->millimetres => TailVerdict::Short,
            $measured > $this->longAbove * $required->millimetres => TailVerdict::Long,
            default => TailVerdict::Good,
        };

        return new TailJudgement($required->millimetres, $uncertainty, $verdict, TailWording::reason($verdict, $required, $measured, $by, $uncertainty));
    }

    public function required(TailClass $class, RopeInHand $rope, TailSchool $school, bool $backup): RequiredTail
    {
        $rule = $this->classes[$class->value];
        if ($rope->width !== null && $class !== TailClass::Tape) {
            throw Refusal::of('/width_mm', $rope->width, 'rope.no_width');
        }
        if ($class === TailClass::Tape && $rope->width === null) {
            throw Refusal::of('/width_mm', null, 'rope.needs_width');
        }
        $slip = $this->slip[$rope->material->value] * ($rope->wet ? $this->wet : 1.0);
        $byDiameter = $rule['m'] * $slip * $rope->across();
        $base = match ($school) {
            TailSchool::Longer => max($rule['floor'], $byDiameter),
            TailSchool::Fixed => $rule['floor'],
            TailSchool::Diameters => $byDiameter,
        };
        $extra = $backup ? $this->backup * $rope->across() : 0.0;
        // Products such as 10 x 1.1 x 8 carry a trace of binary rounding, which must not cost a millimetre.
        $millimetres = (int) ceil(round($base + $extra, 6));

        return new RequiredTail($millimetres, TailWording::required($millimetres, $rope, $school, $rule, $byDiameter, $extra));
    }
}
