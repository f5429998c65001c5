<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Checking\Memory;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Deed;
use Compadre\Core\Teaching\Rounds\Found;
use Compadre\Core\Teaching\Rounds\Hour;
use Compadre\Core\Teaching\Rounds\Program;
use Compadre\Core\Teaching\Rounds\Replay;
use Compadre\Core\Teaching\Rounds\Standing;
use Compadre\Core\Teaching\Rounds\Station;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\TimeModel;
use Compadre\Core\Words\Saying;

/**
 * Writes the blocks of each meeting of a term in the order of an evening: welcome, second tries, old knots, rounds of stations, rigs,
 * time to use the knots, badges handed over, clearing up.
 */
final class MeetingBlocks
{
    /** What a family of knots is good for where nothing else is planned. */
    private const USES = [
        'lashing' => 'teaching.use_lashing', 'hitch' => 'teaching.use_hitch', 'bend' => 'teaching.use_bend', 'loop' => 'teaching.use_loop',
        'binding' => 'teaching.use_binding', 'stopper' => 'teaching.use_stopper',
    ];

    private readonly Replay $replay;

    private readonly RigTime $rigs;

    /** @var array<int, true> knots that somebody has met with, or the plan has shown */
    private array $met = [];

    /** @var array<int, array<int, list<int>>> by meeting and knot: those who were taught it the last time they were there */
    private array $again = [];

    private function __construct(private readonly Course $course)
    {
        $this->replay = new Replay($course);
        $this->rigs = new RigTime($course);
        foreach ($course->known as $knots) {
            $this->met += $knots;
        }
    }

    /** @return array<string, list<Block>> by meeting id */
    public static function of(Course $course, Found $found): array
    {
        $sheet = new self($course);
        $standing = new Standing($course);
        $blocks = [];
        foreach ($found->plan as $meeting => $program) {
            $before = clone $standing;
            $sheet->replay->meeting($standing, $meeting, $program);
            $blocks[$course->meetings[$meeting]->id] = $sheet->meeting($meeting, $program, $before, $standing, $found->outcome->hours[$meeting]);
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function meeting(int $meeting, Program $program, Standing $before, Standing $after, Hour $hour): array
    {
        $evening = $this->course->meetings[$meeting];
        $tries = $hour->tries > 0.05 ? $this->tries($meeting, $hour->tries) : [];
        $old = array_map(fn (int $knot): Block => $this->old($knot, $meeting, $before), $this->inOrder($program->old, $meeting, $before));
        $rounds = array_map(fn (array $round): Block => $this->round($round, $meeting), $program->rounds);
        $taught = [];
        foreach (array_merge([], ...$program->rounds) as $station) {
            $taught[$station->knot] = true;
        }
        $spent = self::sum([...$tries, ...$old, ...$rounds]);
        $rigs = $this->rigs->of($meeting, $after, $program->rigs, $taught, $hour->room - $spent - $hour->blocks);
        $free = $hour->room - $spent - self::sum($rigs);
        $blocks = [
            ...($evening->opening > 0 ? [new Block('welcome', $evening->opening, null, [], new Saying('teaching.welcome'))] : []), ...$tries, ...$old, ...$rounds, ...$rigs,
            ...($free >= 1 ? [new Block('free', $free, null, [], $this->use([...$rounds, ...$old]))] : []),
            ...($evening->awards === [] ? [] : [new Block('award', $evening->handingOver(), null, $evening->awards, new Saying('teaching.award', ['badges' => count($evening->awards)]))]),
            ...($evening->closing > 0 ? [new Block('clear_up', $evening->closing, null, [], new Saying('teaching.clear_up'))] : []),
        ];
        $start = 0.0;
        foreach ($blocks as $place => $block) {
            $blocks[$place] = $block->startingAt($start);
            $start += $block->minutes;
        }

        return $blocks;
    }

    /** @return list<Block> one block, a station for each knot that was taught last, the one of most learners first */
    private function tries(int $meeting, float $minutes): array
    {
        $knots = $this->again[$meeting] ?? [];
        uksort($knots, static fn (int $a, int $b): int => [count($knots[$b]), $a] <=> [count($knots[$a]), $b]);
        $stations = [];
        foreach ($knots as $knot => $learners) {
            $rate = 1 - ($this->course->wishes->passRates[$this->course->knots[$knot]->id] ?? Wishes::PASS_RATE);
            $stations[] = new Block('tries', $minutes, $this->course->knots[$knot]->id, $this->course->ids($learners), new Saying('teaching.second_tries', ['about' => max(1, (int) round($rate * count($learners))), 'all' => count($learners)]));
        }

        return self::sideBySide($stations);
    }

    /**
     * An hour that runs short loses the last of them. Where somebody says to have practised, what a badge still asks for comes first, then
     * what has faded most, and a day on which it was practised counts like one on which it was seen: here, and nowhere else.
     *
     * @param  list<int>  $old
     * @return list<int>
     */
    private function inOrder(array $old, int $meeting, Standing $before): array
    {
        $isTold = false;
        $places = [];
        foreach ($old as $knot) {
            $having = $before->having($knot, $meeting);
            $known = 0.0;
            $isAsked = false;
            foreach ($having as $learner) {
                $practised = $this->course->learners[$learner]->practised[$this->course->knots[$knot]->id] ?? null;
                $seen = max($before->last[$learner][$knot], $practised === null ? 0 : Memory::dayNumber($practised));
                $known += Memory::chanceAfter($this->course->day[$meeting] - $seen, $before->halfLife[$learner][$knot]) / count($having);
                $isTold = $isTold || $practised !== null;
                $isAsked = $isAsked || $this->isToKeep($learner, $knot, $before);
            }
            $places[$knot] = [$isAsked ? 0 : 1, $known];
        }
        if ($isTold) {
            usort($old, static fn (int $a, int $b): int => $places[$a] <=> $places[$b]);
        }

        return $old;
    }

    private function old(int $knot, int $meeting, Standing $before): Block
    {
        $who = $before->having($knot, $meeting);
        $keepers = count(array_filter($who, fn (int $learner): bool => $this->isToKeep($learner, $knot, $before)));
        $least = min(array_map(fn (int $learner): float => $before->chance($learner, $knot, $this->course->day[$meeting]), $who === [] ? [0] : $who));

        return new Block('old', $this->replay->clock->old(count($who), $meeting), $this->course->knots[$knot]->id, $this->course->ids($who), $keepers > 0
            ? new Saying('teaching.can_show', ['many' => $keepers])
            : new Saying('teaching.fading', ['percent' => (int) round(100 * $least)]));
    }

    private function isToKeep(int $learner, int $knot, Standing $before): bool
    {
        foreach (isset($this->course->asked[$learner][$knot]) ? $this->course->targetsOf[$knot] : [] as $target) {
            if ($this->course->targets[$target]->deed === Deed::Again && ! isset($before->met[$learner][$target])) {
                return true;
            }
        }

        return false;
    }

    /** @param  non-empty-list<Station>  $round */
    private function round(array $round, int $meeting): Block
    {
        usort($round, fn (Station $a, Station $b): int => [$this->replay->clock->round([$b]), $a->knot] <=> [$this->replay->clock->round([$a]), $b->knot]);
        $stations = array_map($this->station(...), $round);
        foreach ($round as $station) {
            $this->met[$station->knot] = true;
            foreach ($station->learners as $learner) {
                $next = $this->course->next[$meeting][$learner];
                if ($next >= 0) {
                    $this->again[$next][$station->knot][] = $learner;
                }
            }
        }

        return self::sideBySide($stations)[0];
    }

    private function station(Station $station): Block
    {
        $isNew = ! isset($this->met[$station->knot]);
        $many = count($station->learners);

        $minutes = $this->replay->clock->round([$station]);
        $checking = TimeModel::checking($many, $station->checkers);

        return new Block($isNew ? 'new' : 'again', $minutes, $this->course->knots[$station->knot]->id, $this->course->ids($station->learners), new Saying($isNew ? 'teaching.needs' : 'teaching.has_not', ['many' => $many]),
            helpers: $this->course->ids($station->helpers), checking: $checking, checkers: $station->checkers,
            byRule: $checking + ($minutes - $checking) / $this->course->wishes->factorOf($this->course->knots[$station->knot]->id));
    }

    /**
     * @param  list<Block>  $stations
     * @return list<Block> the first with the others beside it, or nothing
     */
    private static function sideBySide(array $stations): array
    {
        $first = array_shift($stations);

        return $first === null ? [] : [$first->with($stations)];
    }

    /** @param  list<Block>  $blocks */
    private function use(array $blocks): Saying
    {
        $free = new Saying('teaching.time_to_use');
        foreach ($blocks as $block) {
            $knot = $this->course->knot((string) $block->knot);
            $use = $knot === null ? null : self::USES[$this->course->knots[$knot]->family->value] ?? null;
            if ($use !== null) {
                return Saying::sentences([$free, new Saying($use)]);
            }
        }

        return $free;
    }

    /** @param  list<Block>  $blocks */
    private static function sum(array $blocks): float
    {
        return array_sum(array_map(static fn (Block $block): float => $block->minutes, $blocks));
    }
}
