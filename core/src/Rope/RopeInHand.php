<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Knots\TailClass;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * The rope a knot is tied in: diameter in mm (more than 0, at most 100), material, wet or dry; for tape its width in mm.
 */
final readonly class RopeInHand
{
    /** The width of tape where none is given, in mm: as it is sold for slings. */
    public const TAPE_WIDTH = 25.0;

    private function __construct(
        public float $diameter,
        public Material $material,
        public bool $wet,
        public ?float $width,
    ) {
    }

    public static function of(float $diameter, Material $material, bool $wet = false, ?float $width = null): self
    {
        if (! ($diameter > 0 && $diameter <= 100)) {
            throw Refusal::of('/diameter_mm', $diameter, 'rope.diameter');
        }
        if ($width !== null && ! ($width > 0 && $width <= 200)) {
            throw Refusal::of('/width_mm', $width, 'rope.width');
        }

        return new self($diameter, $material, $wet, $width);
    }

    /** What a knot of that class is tied in: this rope, or for knots in tape the usual width of it. */
    public function tiedAs(TailClass $class): self
    {
        return $class === TailClass::Tape ? new self($this->diameter, $this->material, $this->wet, self::TAPE_WIDTH) : $this;
    }

    /** What counts, in mm: the diameter of rope, the width of tape. */
    public function across(): float
    {
        return $this->width ?? $this->diameter;
    }

    /** @return array{diameter_mm: float, material: string, width_mm?: float} as a check event has it; dry */
    public function toArray(): array
    {
        return ['diameter_mm' => $this->diameter, 'material' => $this->material->value] + ($this->width === null ? [] : ['width_mm' => $this->width]);
    }

    public function said(): Saying
    {
        return new Saying('rope.in_hand', ['across' => round($this->across(), 1), 'material' => $this->material->said(), 'form' => $this->width === null ? 'rope' : 'tape', 'state' => $this->wet ? 'wet' : 'dry']);
    }
}
