<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * Who still needs which knot, at which level: the open requirements of each learner's badges with all that has to
 * come before them. An n-of takes the knots that cost the group least, counting knots that many need as shared.
 */
final class CourseNeeds
{
    /** @var array<string, array<string, Level>> by knot and learner: the level wanted */
    private array $wanted = [];

    /** @var array<string, ?string> by knot: the earliest date a badge wants it by */
    private array $dueOn = [];

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
        $shared = self::demand($learners, $badges);
        foreach ($learners as $learner) {
            foreach ($learner->badges as $id) {
                $badge = $badges[$id] ?? throw Refusal::of('/badge', $id, 'one of '.implode(', ', array_keys($badges)));
                $cost = fn (Leaf $leaf): float => $library->knot($leaf->knot)->minutes / max(1, $shared[$leaf->knot] ?? 1);
                foreach ($badge->requirement->open($learner->levels, $cost) as $leaf) {
                    $needs->want($learner, $leaf->knot, $leaf->level, $dates[$id] ?? null);
                }
            }
        }

        return $needs;
    }

    /** @return array<string, Level> by learner: the level wanted of a knot */
    public function learnersFor(string $knot): array
    {
        return $this->wanted[$knot] ?? [];
    }

    /** @return list<string> every knot needed, prerequisites first, then by date, by how many need it, by minutes */
    public function order(): array
    {
        $left = array_keys($this->wanted);
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

            throw Refusal::saying('/prerequisites', array_values($left), 'prerequisites that do not go round in a circle', 'These knots each need another of them first: '.implode(', ', $left).'.');
        }

        return $order;
    }

    public function dueOn(string $knot): ?string
    {
        return $this->dueOn[$knot] ?? null;
    }

    /** @return list<string> the knots that come before it, directly */
    public function before(string $knot): array
    {
        return $this->library->knot($knot)->prerequisites;
    }

    private function want(PlanLearner $learner, string $knot, Level $level, ?string $date): void
    {
        $had = $this->wanted[$knot][$learner->id] ?? null;
        if ($had === null || $level->rung() > $had->rung()) {
            $this->wanted[$knot][$learner->id] = $level;
        }
        $this->dueOn[$knot] = match (true) {
            ! array_key_exists($knot, $this->dueOn), $this->dueOn[$knot] === null => $date,
            $date === null => $this->dueOn[$knot],
            default => min($date, $this->dueOn[$knot]),
        };
        // Whoever can tie a knot needs nothing before it any more.
        foreach (self::holds($learner, $knot) ? [] : $this->before($knot) as $first) {
            if (! self::holds($learner, $first)) {
                $this->want($learner, $first, Level::HasIt, $date);
            }
        }
    }

    private static function holds(PlanLearner $learner, string $knot): bool
    {
        return ($learner->levels[$knot] ?? Level::Seen)->rung() >= Level::HasIt->rung();
    }

    /** @return array{string, int, int, string} */
    private function rank(string $knot): array
    {
        return [$this->dueOn[$knot] ?? '9999', -count($this->wanted[$knot]), $this->library->knot($knot)->minutes, $knot];
    }

    /**
     * How many learners could use each knot: what many can share is cheaper for each.
     *
     * @param  list<PlanLearner>  $learners
     * @param  array<string, BadgePack>  $badges
     * @return array<string, int>
     */
    private static function demand(array $learners, array $badges): array
    {
        $count = [];
        foreach ($learners as $learner) {
            foreach ($learner->badges as $id) {
                foreach (isset($badges[$id]) ? $badges[$id]->knots() : [] as $knot) {
                    $count[$knot] = ($count[$knot] ?? 0) + 1;
                }
            }
        }

        return $count;
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
