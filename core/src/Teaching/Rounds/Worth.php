<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What is worth doing at a meeting, for whom: how much a lesson, an old knot, a use or a help brings a learner nearer to the
 * badges, by the way to each that costs least from here.
 */
final class Worth
{
    private const NO_WAY = 1e6;

    /** @var array<int, array<int, float>> by knot and learner */
    public array $lesson = [];

    /** @var array<int, array<int, float>> by knot and learner */
    public array $again = [];

    /** @var array<int, array<int, float>> by rig and learner */
    public array $use = [];

    /** @var array<int, array<int, float>> by knot and learner who has it */
    public array $help = [];

    /** @var array<int, array<int, float>> by learner and knot: minutes with all that comes before it */
    private array $efforts = [];

    public function __construct(private readonly Course $course, private readonly Clock $clock, private readonly Standing $standing, private readonly int $meeting, Leaning $leaning, private readonly Dice $dice)
    {
        foreach ($course->pursuits as $pursuit) {
            if ($course->isHere[$meeting][$pursuit->learner] && $pursuit->by > $meeting && $pursuit->ask->missing($standing->met[$pursuit->learner], $pursuit->by) > 0) {
                $this->pursue($pursuit);
            }
        }
        $this->readPins();
        if ($leaning->holds) {
            $this->hold();
        }
    }

    private function pursue(Pursuit $pursuit): void
    {
        $learner = $pursuit->learner;
        $costs = [];
        $cost = function (int $target) use (&$costs, $learner, $pursuit): float {
            return $costs[$target] ??= $this->cost($learner, $target, $pursuit);
        };
        $way = $pursuit->ask->wayBy($this->standing->met[$learner], $pursuit->by, $cost);
        $left = 0;
        for ($meeting = $this->meeting; $meeting < $pursuit->by; $meeting++) {
            $left += $this->course->isHere[$meeting][$learner] ? 1 : 0;
        }
        $each = (1 + 1 / max(1, count($way))) * (1 + 2 / max(1, $left));
        foreach ($way as $number) {
            $target = $this->course->targets[$number];
            if ($cost($number) >= self::NO_WAY) {
                continue;
            }
            if (! $this->standing->has($learner, $target->knot)) {
                $this->lesson($learner, $target->knot, $each);
            } elseif ($target->deed === Deed::Again) {
                $this->again[$target->knot][$learner] = ($this->again[$target->knot][$learner] ?? 0.0) + $each;
            } elseif ($target->deed === Deed::Help) {
                $this->help[$target->knot][$learner] = ($this->help[$target->knot][$learner] ?? 0.0) + $each;
            }
            foreach ($target->deed === Deed::Use ? $target->rigs ?? [] : [] as $rig) {
                $this->use[$rig][$learner] = ($this->use[$rig][$learner] ?? 0.0) + $each;
            }
        }
    }

    private function lesson(int $learner, int $knot, float $worth): void
    {
        $this->lesson[$knot][$learner] = ($this->lesson[$knot][$learner] ?? 0.0) + $worth;
        foreach ($this->course->before[$knot] as $first) {
            if (! $this->standing->has($learner, $first)) {
                $this->lesson($learner, $first, 0.9 * $worth);
            }
        }
    }

    /** Minutes to a target from here, with what comes before its knot. */
    private function cost(int $learner, int $number, Pursuit $pursuit): float
    {
        $target = $this->course->targets[$number];
        $minutes = 0.001 * ($pursuit->preferred[$number] ?? 0);
        $has = $this->standing->has($learner, $target->knot);
        $wanted = ($has ? 0 : 1) + ($target->deed === Deed::Again ? 1 : 0);
        if ($target->rigs === [] || $this->course->daysFor($learner, $target->knot, $this->meeting, $pursuit->by) < $wanted) {
            return self::NO_WAY;
        }

        return $minutes + ($target->deed === Deed::Again ? 2.0 : 0.0) + ($has ? 0.5 : $this->effort($learner, $target->knot));
    }

    private function effort(int $learner, int $knot): float
    {
        if (isset($this->course->never[$learner][$knot])) {
            return self::NO_WAY;
        }
        if (isset($this->efforts[$learner][$knot])) {
            return $this->efforts[$learner][$knot];
        }
        $minutes = $this->clock->leastLesson($knot, $learner, 1);
        foreach ($this->course->before[$knot] as $first) {
            $minutes += $this->standing->has($learner, $first) ? 0.0 : $this->effort($learner, $first);
        }

        return $this->efforts[$learner][$knot] = $minutes;
    }

    /** A pinned knot comes before all else, and what comes before it in time. */
    private function readPins(): void
    {
        foreach ($this->course->pins as $pin) {
            if ($pin['meeting'] < $this->meeting) {
                continue;
            }
            foreach ($pin['learners'] ?? $this->oneFor($pin['knot'], $pin['meeting']) as $learner) {
                if ($this->standing->has($learner, $pin['knot'])) {
                    continue;
                }
                if ($pin['meeting'] === $this->meeting) {
                    $this->lesson[$pin['knot']][$learner] = ($this->lesson[$pin['knot']][$learner] ?? 0.0) + 1000.0;

                    continue;
                }
                foreach ($this->course->before[$pin['knot']] as $first) {
                    if ($this->course->isHere[$this->meeting][$learner] && ! $this->standing->has($learner, $first)) {
                        $this->lesson($learner, $first, 50.0);
                    }
                }
            }
        }
    }

    /** @return list<int> where nobody is named, one of those present is enough: by chance, one who needs it if there is one */
    private function oneFor(int $knot, int $meeting): array
    {
        $lacking = array_values(array_filter($this->course->present[$meeting], fn (int $learner): bool => ! $this->standing->has($learner, $knot) && ! isset($this->course->never[$learner][$knot])));
        $needing = array_values(array_filter($lacking, fn (int $learner): bool => isset($this->course->needs[$learner][$knot])));
        $from = $needing === [] ? $lacking : $needing;

        return $from === [] ? [] : [$from[$this->dice->below(count($from))]];
    }

    /** Promises come before all but pins; what is promised for later waits. */
    private function hold(): void
    {
        foreach ($this->course->promises as $promise) {
            [$learner, $knot] = [$promise['learner'], $promise['knot']];
            $isNow = $promise['meeting'] === $this->meeting;
            if ($isNow && $promise['isLesson']) {
                $this->lesson[$knot][$learner] = ($this->lesson[$knot][$learner] ?? 0.0) + 20.0;
            } elseif ($isNow) {
                $this->again[$knot][$learner] = ($this->again[$knot][$learner] ?? 0.0) + 20.0;
            } elseif ($promise['meeting'] > $this->meeting && $promise['isLesson']) {
                unset($this->lesson[$knot][$learner]);
            } elseif ($promise['meeting'] > $this->meeting) {
                unset($this->again[$knot][$learner]);
            }
        }
    }
}
