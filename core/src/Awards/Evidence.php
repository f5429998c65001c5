<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Ladder;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Teaching\Requirement;

/**
 * All that stands to one learner's credit: the level reached with each knot, what brought them there, and what is ticked off.
 */
final readonly class Evidence
{
    /**
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, array<int, Met>>  $results  by knot and rung of the ladder
     * @param  array<string, Met>  $ticks  by their names in records
     */
    private function __construct(public array $levels, private array $results, private array $ticks)
    {
    }

    /**
     * From the checks themselves, so that each level is known with what met it.
     *
     * @param  iterable<CheckEvent>  $events  of one learner, in any order
     * @param  array<string, Met>  $ticks  by their names in records
     * @param  ?string  $until  the last day that counts, as 2026-11-24; null: all of them
     */
    public static function ofChecks(iterable $events, array $ticks, ?string $until = null): self
    {
        $levels = $results = [];
        foreach (Standings::inForce($events) as $all) {
            $knot = $all[0]->knot;
            $entries = array_values(array_filter($all, static fn (CheckEvent $entry): bool => $until === null || $entry->day <= $until));
            [$level, $steps] = Ladder::steps(array_map(static fn (CheckEvent $entry): DayResult => $entry->result(), $entries));
            if ($level !== null) {
                $levels[$knot] = $level;
            }
            foreach ($steps as $rung => $entry) {
                $event = $entries[$entry];
                $results[$knot][$rung] = new Met($event->day, $event->by, $event->result()->prior, $event->id);
            }
        }

        return new self($levels, $results, array_filter($ticks, static fn (Met $met): bool => $until === null || $met->day <= $until));
    }

    /**
     * From standings that were derived before: enough to tell what is due, and not who saw it.
     *
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, Met>  $hasIt  by knot: since when it is had
     * @param  array<string, Met>  $ticks  by their names in records
     */
    public static function standing(array $levels, array $hasIt, array $ticks): self
    {
        return new self($levels, array_map(static fn (Met $met): array => [Level::HasIt->rung() => $met], $hasIt), $ticks);
    }

    public function completes(Requirement $requirement): bool
    {
        return $requirement->isMet($this->levels, $this->ticked());
    }

    /** @return array<mixed> the tree of what is asked for, with what is met and by what */
    public function outline(Requirement $requirement): array
    {
        return $this->signed($requirement->outline($this->levels, $this->ticked()));
    }

    /** With a clean pass on that day. */
    public function withPass(string $knot, string $day): self
    {
        $had = $this->results[$knot][Level::HasIt->rung()] ?? null;
        $now = match (true) {
            $had === null => Level::HasIt,
            // What was had before the app was had on some earlier day, whichever.
            $had->prior || $had->day !== $day => Level::Kept,
            default => $this->levels[$knot] ?? Level::HasIt,
        };

        return new self([$knot => $now] + $this->levels, $this->results, $this->ticks);
    }

    public function withTick(string $key, string $day): self
    {
        return new self($this->levels, $this->results, [$key => new Met($day, null)] + $this->ticks);
    }

    /** @return array<string, true> */
    private function ticked(): array
    {
        return array_fill_keys(array_keys($this->ticks), true);
    }

    /**
     * @param  array<mixed>  $outline
     * @return array<mixed>
     */
    private function signed(array $outline): array
    {
        if (is_array($outline['parts'] ?? null)) {
            $outline['parts'] = array_map(fn (mixed $part): array => $this->signed((array) $part), $outline['parts']);

            return $outline;
        }
        $met = ($outline['met'] ?? false) === true ? $this->metBy($outline) : null;

        return $met === null ? $outline : $outline + ['since' => $met];
    }

    /** @param  array<mixed>  $outline  of a single requirement */
    private function metBy(array $outline): ?Met
    {
        if (is_string($outline['key'] ?? null)) {
            return $this->ticks[$outline['key']] ?? null;
        }

        return is_string($outline['knot'] ?? null) && is_string($outline['level'] ?? null) ? $this->results[$outline['knot']][Level::from($outline['level'])->rung()] ?? null : null;
    }
}
