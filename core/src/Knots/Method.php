<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * One way of tying a knot: its strands and its steps.
 */
final readonly class Method
{
    /**
     * @param  list<StrandPlan>  $strands
     * @param  list<StepPlan>  $steps
     * @param  ?int  $secondHalf  the step, from 1, that begins the second of two like halves
     * @param  ?string  $differs  why its diagram is not that of the knot's first method, if it is not
     * @param  list<array{Point, Point}>  $held  a place in each loop that something holds open: in the loose and the tight drawing
     * @param  array<string, float>  $start  how much of each rope lies there before the first step, by waypoint number
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $strands,
        public array $steps,
        public array $start,
        public string $place,
        public ?int $secondHalf = null,
        private array $held = [],
        public ?string $differs = null,
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
            $fields->wholeOrNull('second_half'),
            array_map(static fn (Fields $place): array => [self::point($place, 'loose'), self::point($place, 'tight')], $fields->has('held') ? $fields->objects('held') : []),
            $fields->textOrNull('differs'),
        );
    }

    private static function point(Fields $fields, string $name): Point
    {
        [$x, $y] = $fields->list($name) + [null, null];
        if (! is_numeric($x) || ! is_numeric($y)) {
            throw Refusal::of($fields->place($name), [$x, $y], 'two numbers, x and y');
        }

        return new Point((float) $x, (float) $y);
    }

    /** The same method with one waypoint moved. */
    public function moved(int $strand, int $waypoint, Point $by, bool $tight): self
    {
        $strands = $this->strands;
        $strands[$strand] = $strands[$strand]->moved($waypoint, $by, $tight);

        return new self($this->id, $this->name, array_values($strands), $this->steps, $this->start, $this->place, $this->secondHalf, $this->held, $this->differs);
    }

    /** @return list<Point> a place in each loop that something holds open */
    public function holds(bool $tight = false): array
    {
        return array_map(static fn (array $places): Point => $places[$tight ? 1 : 0], $this->held);
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
