<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Choosing;

/**
 * What a knot is wanted for.
 */
final readonly class Job
{
    /**
     * @param  string  $task  join, loop, hitch, bind, stop, adjust, lash or shorten
     * @param  string  $load  steady, shaking, on_off or none
     * @param  string  $undo  after_load, at_a_pull or any
     * @param  ?list<string>  $has  knots that whoever ties it has; null: not said
     * @param  ?string  $ageBand  5-7, 8-10, 11-13 or 14+
     */
    public function __construct(
        public string $task,
        public Thing $a,
        public ?Thing $b,
        public string $load,
        public string $undo,
        public bool $wet = false,
        public ?array $has = null,
        public ?string $ageBand = null,
    ) {
    }

    /**
     * What a knot has to fit: of a join both ends, else what the rope is tied to.
     *
     * @return non-empty-list<string>
     */
    public function things(): array
    {
        $ends = $this->b === null ? [$this->a] : [$this->a, $this->b];
        if ($this->task === 'join') {
            return array_map(static fn (Thing $end): string => $end->kind, $ends);
        }
        $objects = array_values(array_filter($ends, static fn (Thing $end): bool => ! $end->isRope()));

        return $objects === [] ? ['rope'] : array_map(static fn (Thing $end): string => $end->kind, $objects);
    }

    /** @return list<Thing> */
    public function ropes(): array
    {
        return array_values(array_filter([$this->a, ...($this->b === null ? [] : [$this->b])], static fn (Thing $end): bool => $end->isRope()));
    }

    /** How much thicker the one rope is than the other; 1 where only one is known. */
    public function ratio(): float
    {
        $known = array_values(array_filter(array_map(static fn (Thing $rope): ?float => $rope->diameter, $this->ropes()), static fn (?float $diameter): bool => $diameter !== null));

        return count($known) < 2 ? 1.0 : max($known) / min($known);
    }
}
