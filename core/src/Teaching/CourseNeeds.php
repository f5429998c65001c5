<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * Who still needs which knot, at which level and by when: the open requirements of each learner's badges with all
 * that has to come before them.
 */
final class CourseNeeds
{
    /** @var array<string, array<string, Level>> by knot and learner: the level wanted */
    private array $wanted = [];

    /** @var array<string, array<string, ?string>> by knot and learner: the earliest date a badge wants it by */
    private array $dates = [];

    /** @var list<array{learner: string, badge: string, leaves: list<Leaf>}> what still stands between a learner and a badge */
    private array $goals = [];

    private function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, BadgePack>  $badges  by id
     * @param  array<string, ?string>  $dates  by badge id
     */
    public static function of(array $learners, array $badges, array $dates, Library $library): self
    {
        $needs = new self($library);
        $pursuits = [];
        foreach ($learners as $place => $learner) {
            foreach ($learner->badges as $index => $id) {
                $pursuits[] = [$learner, $badges[$id] ?? throw Refusal::of("/learners/$place/badges/$index", $id, $badges === [] ? 'nothing: there are no badges' : 'one of '.implode(', ', array_keys($badges)))];
            }
        }
        foreach (GroupChoice::of($pursuits, $library) as $number => $leaves) {
            [$learner, $badge] = $pursuits[$number];
            if ($leaves !== []) {
                $needs->goals[] = ['learner' => $learner->id, 'badge' => $badge->id, 'leaves' => $leaves];
            }
            foreach ($leaves as $leaf) {
                $needs->want($learner, $leaf->knot, $leaf->level, $dates[$badge->id] ?? null, []);
            }
        }

        return $needs;
    }

    /** @return array<string, Level> by learner: the level wanted of a knot */
    public function learnersFor(string $knot): array
    {
        return $this->wanted[$knot] ?? [];
    }

    /** @return list<array{learner: string, badge: string, leaves: list<Leaf>}> */
    public function goals(): array
    {
        return $this->goals;
    }

    /** @return list<string> every knot needed, prerequisites first, then by date, by how many need it, by minutes */
    public function order(): array
    {
        $left = array_map(strval(...), array_keys($this->wanted));
        usort($left, fn (string $a, string $b): int => $this->rank($a) <=> $this->rank($b));
        $order = [];
        while ($left !== []) {
            foreach ($left as $place => $knot) {
                if (array_intersect($this->before($knot), $left) === []) {
                    $order[] = $knot;
                    unset($left[$place]);

                    continue 2;
                }
            }

            throw self::circle(array_values($left));
        }

        return $order;
    }

    /** The earliest date anyone needs the knot by. */
    public function dueOn(string $knot): ?string
    {
        $dates = array_filter($this->dates[$knot] ?? [], is_string(...));

        return $dates === [] ? null : min($dates);
    }

    public function dueFor(string $knot, string $learner): ?string
    {
        return $this->dates[$knot][$learner] ?? null;
    }

    /** @return list<string> the knots that come before it, directly */
    public function before(string $knot): array
    {
        return $this->library->knot($knot)->prerequisites;
    }

    /** @param  list<string>  $way  the knots on the way to it, to notice a circle */
    private function want(PlanLearner $learner, string $knot, Level $level, ?string $date, array $way): void
    {
        if (in_array($knot, $way, true)) {
            throw self::circle($way);
        }
        $had = $this->wanted[$knot][$learner->id] ?? null;
        // Uses it and teaches it stand on the same rung as has it, and ask for more.
        if ($had === null || $level->rung() > $had->rung() || $had === Level::HasIt && $level->rung() === $had->rung()) {
            $this->wanted[$knot][$learner->id] = $level;
        }
        $known = $this->dates[$knot] ?? [];
        $this->dates[$knot][$learner->id] = match (true) {
            ! array_key_exists($learner->id, $known), $known[$learner->id] === null => $date,
            $date === null => $known[$learner->id],
            default => min($date, $known[$learner->id]),
        };
        // Whoever can tie a knot needs nothing before it any more.
        foreach (self::holds($learner, $knot) ? [] : $this->before($knot) as $first) {
            if (! self::holds($learner, $first)) {
                $this->want($learner, $first, Level::HasIt, $date, [...$way, $knot]);
            }
        }
    }

    public static function holds(PlanLearner $learner, string $knot): bool
    {
        return ($learner->levels[$knot] ?? Level::Seen)->rung() >= Level::HasIt->rung();
    }

    /** @return array{string, int, int, string} */
    private function rank(string $knot): array
    {
        return [$this->dueOn($knot) ?? '9999', -count($this->wanted[$knot]), $this->library->knot($knot)->minutes, $knot];
    }

    /** @param  list<string>  $knots */
    public static function circle(array $knots): Refusal
    {
        return Refusal::saying('/prerequisites', $knots, 'prerequisites that do not go round in a circle', 'These knots each need another of them first: '.implode(', ', $knots).'.');
    }

    public function minutes(string $knot): int
    {
        return $this->library->knot($knot)->minutes;
    }

    public function knot(string $knot): KnotPack
    {
        return $this->library->knot($knot);
    }
}
