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
     * @param  list<Part>  $parts
     * @param  list<array{Part, Part}>  $pairs  stretches that are meant to lie side by side
     * @param  array<string, list<string>>  $look  the names of the parts to look at, by check
     * @param  list<array{Point, Point}>  $held  a place in each loop that something holds open: in the loose and the tight drawing
     * @param  array<string, float>  $start  how much of each rope lies there before the first step, by waypoint number
     * @param  bool  $gathers  whether the turns round what it is tied to are slid together when it is drawn up
     * @param  ?string  $finish  the method of the same knot that this one lies like once its last pull has turned it over
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
        public array $parts = [],
        private array $look = [],
        public array $pairs = [],
        public ?string $finish = null,
        public bool $gathers = false,
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
            array_map(static fn (Fields $place): array => [Point::read($place->list('loose'), $place->place('loose')), Point::read($place->list('tight'), $place->place('tight'))], $fields->has('held') ? $fields->objects('held') : []),
            $fields->textOrNull('differs'),
            array_map(Part::from(...), $fields->has('parts') ? $fields->objects('parts') : []),
            self::lookFrom($fields),
            array_map(static fn (Fields $pair): array => [Part::stretch($pair->object('a')), Part::stretch($pair->object('b'))], $fields->has('pairs') ? $fields->objects('pairs') : []),
            $fields->textOrNull('finish'),
            $fields->flag('gathers'),
        );
    }

    /** The same method with one waypoint moved. */
    public function moved(int $strand, int $waypoint, Point $by, bool $tight): self
    {
        $strands = $this->strands;
        $strands[$strand] = $strands[$strand]->moved($waypoint, $by, $tight);

        return $this->with($this->name, array_values($strands), $this->steps);
    }

    /** The same method, its words as they read beside a drawing seen like this. */
    public function told(View $view, Sides $sides): self
    {
        $steps = array_map(static fn (StepPlan $step): StepPlan => $step->told($view, $sides), $this->steps);

        return $this->with($sides->told($view, $this->name), $this->strands, $steps);
    }

    /**
     * @param  list<StrandPlan>  $strands
     * @param  list<StepPlan>  $steps
     */
    private function with(string $name, array $strands, array $steps): self
    {
        return new self($this->id, $name, $strands, $steps, $this->start, $this->place, $this->secondHalf, $this->held, $this->differs, $this->parts, $this->look, $this->pairs, $this->finish, $this->gathers);
    }

    /**
     * @param  'tying'|'dressing'|'tail'  $check
     * @return list<Part> where to look for it
     */
    public function partsFor(string $check): array
    {
        return array_values(array_filter($this->parts, fn (Part $part): bool => in_array($part->name, $this->look[$check] ?? [], true)));
    }

    /**
     * Parts lie on ropes that there are, and what a check looks at is a part.
     *
     * @throws Refusal naming the part
     */
    public function verifyParts(Diagram $diagram): void
    {
        $names = [];
        foreach ([...$this->parts, ...array_merge([], ...$this->pairs)] as $part) {
            $names[] = $part->name;
            if ($part->span($diagram) === null) {
                throw Refusal::of($part->place, [$part->strand, $part->from, $part->to], 'knots.part');
            }
        }
        foreach ($this->look as $check => $wanted) {
            foreach (array_diff($wanted, $names) as $name) {
                throw Refusal::of("{$this->place}/look/$check", $name, 'knots.parts', ['list' => array_values(array_unique($names))]);
            }
        }
    }

    /** @return array<string, list<string>> */
    private static function lookFrom(Fields $fields): array
    {
        $look = [];
        foreach ($fields->has('look') ? array_keys($fields->object('look')->raw()) : [] as $check) {
            $look[(string) $check] = $fields->object('look')->texts((string) $check);
        }

        return $look;
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
