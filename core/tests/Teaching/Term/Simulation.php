<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\Term\Accepted;
use Compadre\Core\Teaching\Term\PartKind;
use Compadre\Core\Teaching\Term\PlanPart;

/**
 * Plays a term as it might go: some are away without a word, first tries pass by chance, knots are forgotten as the memory says. A plan is
 * accepted at the start; before each meeting it is laid again from what stands, with whoever is away.
 */
final class Simulation
{
    public int $promised = 0;

    public int $kept = 0;

    /** Promises for meetings to come that another meeting took over, over all meetings played. */
    public int $moved = 0;

    public int $expected = 0;

    public int $unmet = 0;

    /** @var list<PlanLearner> */
    private array $learners;

    /** @var array<string, list<PlanPart>> by meeting */
    private array $parts;

    public function __construct(private readonly Course $course, private readonly float $away = 0.1, private readonly float $pass = 0.7, private readonly float $effort = 0.05)
    {
        $this->learners = array_map($this->remembering(...), $course->learners);
        $first = $this->plan($course->now, $course->meetings, $this->learners, []);
        $this->expected = $first->found->outcome->score->unmet;
        $this->parts = Accepted::partsOf($first->course, $first->found);
    }

    public function play(): self
    {
        foreach ($this->course->meetings as $number => $meeting) {
            $left = array_slice($this->course->meetings, $number);
            $gone = array_values(array_filter(array_map(static fn (PlanLearner $one): string => $one->id, $this->learners), fn (): bool => mt_rand() / mt_getrandmax() < $this->away));
            $there = array_map(static fn (PlanLearner $one): PlanLearner => in_array($one->id, $gone, true) ? self::changed($one, away: [...$one->away, $meeting->id]) : $one, $this->learners);
            $before = $this->parts;
            $plan = $this->plan($meeting->date, $left, $there, $before);
            $this->parts = Accepted::partsOf($plan->course, $plan->found);
            $this->count($plan, $before, $meeting);
            $this->evening($this->parts[$meeting->id], $meeting);
        }
        $last = $this->course->meetings[count($this->course->meetings) - 1]->date;
        $this->unmet = $this->plan($last, [], $this->learners, [])->found->outcome->score->unmet;

        return $this;
    }

    /** @param  array<string, list<PlanPart>>  $before */
    private function count(TermPlan $plan, array $before, Evening $meeting): void
    {
        $now = [];
        foreach (Accepted::promises($this->parts) as $one) {
            $now["$one->learner $one->knot $one->isLesson $one->meeting"] = true;
        }
        foreach ($plan->course->promises as $promise) {
            $one = $promise['promise'];
            $isKept = isset($now["$one->learner $one->knot $one->isLesson $one->meeting"]);
            if ($one->meeting === $meeting->id) {
                $this->promised++;
                $this->kept += $isKept ? 1 : 0;
            } else {
                $this->moved += $isKept ? 0 : 1;
            }
        }
    }

    /** @param  list<PlanPart>  $parts */
    private function evening(array $parts, Evening $meeting): void
    {
        foreach ($parts as $part) {
            foreach ($this->learners as $place => $learner) {
                $takesPart = in_array($learner->id, $part->learners, true);
                if ($takesPart && $part->kind === PartKind::Lesson) {
                    $this->learners[$place] = $this->taught($learner, $part->what, $meeting->date);
                } elseif ($takesPart && $part->kind === PartKind::Old) {
                    $this->learners[$place] = $this->tiedAgain($learner, $part->what, $meeting->date);
                } elseif (in_array($learner->id, $part->helpers, true)) {
                    $this->learners[$place] = self::changed($learner, ticked: $learner->ticked + ["teaches_it:$part->what" => true]);
                }
            }
        }
    }

    /** What is had without a day was had the day it began: else it would be had from each new day on. */
    private function remembering(PlanLearner $learner): PlanLearner
    {
        $memories = [];
        foreach (array_keys($learner->levels) as $knot) {
            if ($learner->holds((string) $knot)) {
                $memories[(string) $knot] = $this->fresh((string) $knot, $this->course->now);
            }
        }

        return self::changed($learner, memories: array_diff_key($memories, $learner->memories));
    }

    private function fresh(string $knot, string $day): Memory
    {
        return Memory::kept($this->course->library->knot($knot)->hard ? MemoryModel::usual()->hardStart : MemoryModel::usual()->start, $day);
    }

    private function taught(PlanLearner $learner, string $knot, string $day): PlanLearner
    {
        if (mt_rand() / mt_getrandmax() >= $this->pass) {
            return self::changed($learner, [$knot => Level::WithHelp]);
        }

        return self::changed($learner, [$knot => Level::HasIt], [$knot => $this->fresh($knot, $day)]);
    }

    private function tiedAgain(PlanLearner $learner, string $knot, string $day): PlanLearner
    {
        $memory = $learner->memories[$knot] ?? null;
        if ($memory === null || $memory->lastDay >= $day) {
            return $learner;
        }
        $knows = mt_rand() / mt_getrandmax() < $memory->chance($day);

        return self::changed($learner, $knows ? [$knot => Level::Kept] : [], [$knot => Memory::kept(MemoryModel::usual()->after($memory->halfLife, $knows ? Verdict::HasIt : Verdict::WithHelp), $day)]);
    }

    /**
     * @param  array<string, Level>  $levels
     * @param  array<string, Memory>  $memories
     * @param  ?list<string>  $away
     * @param  ?array<string, true>  $ticked
     */
    private static function changed(PlanLearner $one, array $levels = [], array $memories = [], ?array $away = null, ?array $ticked = null): PlanLearner
    {
        return new PlanLearner($one->id, $one->band, $levels + $one->levels, $memories + $one->memories, $one->badges, $away ?? $one->away, $ticked ?? $one->ticked, $one->patrol);
    }

    /**
     * @param  list<Evening>  $meetings
     * @param  list<PlanLearner>  $learners
     * @param  array<string, list<PlanPart>>  $accepted
     */
    private function plan(string $now, array $meetings, array $learners, array $accepted): TermPlan
    {
        $wishes = $this->course->wishes;
        $course = new Course($this->course->library, $now, $learners, $this->course->aims, $meetings, new Wishes(
            $wishes->soon, $wishes->factor, $wishes->newKnots, $wishes->oldShare, $wishes->passRates, bans: $wishes->bans, promises: Accepted::promises($accepted), rigs: $wishes->rigs, held: $accepted !== [],
        ));

        return TermPlan::atOnce($course, $accepted === [] ? [] : Accepted::programs($course, $accepted), $this->effort);
    }
}
