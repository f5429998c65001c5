<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * A named part of a knot: a stretch of one rope, by waypoint numbers.
 */
final readonly class Part
{
    public const NAMES = ['bight', 'collar', 'nip', 'loop', 'tail', 'standing-part', 'turn', 'crossing', 'bar'];

    public function __construct(public string $name, public string $strand, public float $from, public float $to, public string $place)
    {
    }

    public static function from(Fields $fields): self
    {
        return new self($fields->text('name'), $fields->text('strand'), $fields->number('from'), $fields->number('to'), $fields->at);
    }

    /** A stretch without a name. */
    public static function stretch(Fields $fields): self
    {
        return new self('', $fields->text('strand'), $fields->number('from'), $fields->number('to'), $fields->at);
    }

    /** @return ?array{strand: string, from: float, to: float} the stretch in rope widths along the strand; null where the diagram lacks it */
    public function span(Diagram $diagram): ?array
    {
        foreach ($diagram->strands as $strand) {
            $curve = $strand->curve;
            if ($strand->id === $this->strand && $strand->kind->isRope() && $this->from >= 0 && $this->from < $this->to && $this->to <= count($curve->cubics)) {
                return ['strand' => $this->strand, 'from' => round($curve->lengthAt($this->from), 3), 'to' => round($curve->lengthAt($this->to), 3)];
            }
        }

        return null;
    }
}
