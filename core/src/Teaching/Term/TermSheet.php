<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Ask;
use Compadre\Core\Teaching\Rounds\Missing;
use Compadre\Core\Teaching\Rounds\Replay;
use Compadre\Core\Teaching\Rounds\Score;
use Compadre\Core\Teaching\Rounds\Standing;
use Compadre\Core\Teaching\Rounds\TermPlan;

/**
 * A term's plan as a leader reads it: each evening's blocks, what is left out and why, who completes what when, and what will still be
 * known. By ids, so that it can be kept.
 */
final readonly class TermSheet
{
    /**
     * @param  array<string, list<Block>>  $meetings  blocks in order, by meeting
     * @param  array<string, list<PlanPart>>  $parts  by meeting: what is written down when it is accepted
     * @param  list<UnmetNeed>  $unmet
     * @param  array<string, ?string>  $shownIn  by knot that somebody has still to be taught: the first meeting that teaches it, null where none does
     * @param  list<array{learner: string, badge: string, meeting: ?string}>  $completes  the meeting that completes each badge under way
     * @param  Score  $bound  no plan is better
     * @param  int  $proven  terms, in the order compared, that no plan is better in
     * @param  array<string, Remembered>  $remembered  by meeting: on its day, after it
     * @param  string  $lastDay  the day on which what is forgotten is reckoned
     */
    private function __construct(
        public array $meetings,
        public array $parts,
        public array $unmet,
        public array $shownIn,
        public array $completes,
        public Score $score,
        public Score $bound,
        public int $proven,
        public array $remembered,
        public Remembered $atLast,
        public string $lastDay,
        public bool $soon,
    ) {
    }

    public static function of(TermPlan $plan): self
    {
        [$course, $found] = [$plan->course, $plan->found];
        $standing = new Standing($course);
        $replay = new Replay($course);
        $remembered = [];
        foreach ($found->plan as $meeting => $program) {
            $replay->meeting($standing, $meeting, $program);
            $remembered[$course->meetings[$meeting]->id] = Remembered::on($course->day[$meeting], $standing, $course);
        }

        return new self(
            MeetingBlocks::of($course, $found), Accepted::partsOf($course, $found), self::unmet($plan), self::shownIn($plan), self::completes($plan),
            $found->outcome->score, $plan->bound, $plan->proven, $remembered, Remembered::on($course->horizon, $standing, $course),
            gmdate('Y-m-d', $course->horizon * 86400), $course->wishes->soon,
        );
    }

    /** @return list<Block> every station of a meeting in order, those side by side one after the other */
    public function stations(string $meeting): array
    {
        return array_merge([], ...array_map(static fn (Block $block): array => $block->stations(), $this->meetings[$meeting] ?? []));
    }

    /** Whether it is worth changing a plan for: less unmet, or as much and badges sooner or at least one knot more still known, whichever the pace asks for first. */
    public function isBetterThan(self $other): bool
    {
        if ($this->score->unmet !== $other->score->unmet) {
            return $this->score->unmet < $other->score->unmet;
        }

        return $this->soon ? $this->score->completion < $other->score->completion : $this->score->forgotten <= $other->score->forgotten - 1;
    }

    /** @return list<UnmetNeed> what is missing, with what another plan has tried for the same */
    public function withRemediesOf(?self $other): array
    {
        return array_map(static function (UnmetNeed $need) use ($other): UnmetNeed {
            foreach ($other->unmet ?? [] as $same) {
                if ($same->leaf == $need->leaf && $same->learners === $need->learners) {
                    return new UnmetNeed($need->leaf, $need->learners, $need->cause, $same->remedy);
                }
            }

            return $need;
        }, $this->unmet);
    }

    /** @return list<UnmetNeed> those of one cause and one remedy together, those of most learners first */
    private static function unmet(TermPlan $plan): array
    {
        $together = [];
        foreach ($plan->unmet as $one) {
            $leaf = $plan->course->targets[$one->target]->leaf;
            $together[serialize([$leaf, $one->cause, $one->remedy])][] = $one;
        }
        usort($together, static fn (array $a, array $b): int => count($b) <=> count($a));

        return array_map(static fn (array $those): UnmetNeed => new UnmetNeed(
            $plan->course->targets[$those[0]->target]->leaf,
            array_values(array_unique(array_map(static fn (Missing $one): string => $plan->course->learners[$one->learner]->id, $those))), $those[0]->cause, $those[0]->remedy,
        ), $together);
    }

    /** @return array<string, ?string> */
    private static function shownIn(TermPlan $plan): array
    {
        $shown = [];
        foreach ($plan->course->knots as $number => $knot) {
            $lacking = array_filter($plan->course->learners, static fn (PlanLearner $learner, int $place): bool => isset($plan->course->needs[$place][$number]) && ! $learner->holds($knot->id), ARRAY_FILTER_USE_BOTH);
            if ($lacking !== []) {
                $shown[$knot->id] = null;
            }
        }
        foreach ($plan->found->plan as $meeting => $program) {
            foreach (array_merge([], ...$program->rounds) as $station) {
                $shown[$plan->course->knots[$station->knot]->id] ??= $plan->course->meetings[$meeting]->id;
            }
        }

        return $shown;
    }

    /** @return list<array{learner: string, badge: string, meeting: ?string}> */
    private static function completes(TermPlan $plan): array
    {
        $completes = [];
        foreach ($plan->course->pursuits as $number => $pursuit) {
            $at = $plan->found->outcome->completedAt($number);
            if ($at > 0) {
                $completes[] = ['learner' => $plan->course->learners[$pursuit->learner]->id, 'badge' => $pursuit->badge, 'meeting' => $at === Ask::NEVER ? null : $plan->course->meetings[$at - 1]->id];
            }
        }

        return $completes;
    }
}
