<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * One way of tying a knot: its strands and its steps.
 */
final readonly class Method
{
    /**
     * @param  list<StrandPlan>  $strands
     * @param  list<StepPlan>  $steps
     * @param  array<string, float>  $start  how much of each rope lies there before the first step, by waypoint number
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $strands,
        public array $steps,
        public array $start,
        public string $place,
    ) {
    }

    public static function from(Fields $fields): self
    {
        return new self(
            $fields->text('id'),
            $fields->text('name'),
            array_map(StrandPlan::from(...), $fields->objects('strands')),
            array_map(StepPlan::from(...), $fields->objects('steps')),
            $fields->has('start') ? $fields->numbers('start') : [],
            $fields->at,
        );
    }

    public function hasTight(): bool
    {
        foreach ($this->strands as $strand) {
            if ($strand->tight !== null) {
                return true;
            }
        }

        return false;
    }
}
