<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * A term as planned: who is taught what, when and beside whom, what it comes to, and what is missing and why.
 */
final readonly class TermPlan
{
    /** Of the usual effort, where somebody waits. */
    private const AT_ONCE = 0.1;

    /**
     * @param  Score  $bound  no plan is better in a term that is no worse in those compared before it
     * @param  int  $proven  terms, in the order compared, in which plan and bound meet
     * @param  list<Missing>  $unmet
     */
    private function __construct(public Course $course, public Found $found, public Score $bound, public int $proven, public array $unmet)
    {
    }

    public static function of(Course $course): self
    {
        // Of a small case every plan is looked at; a quick search is to have something to measure them by.
        $looked = Exact::isSmall($course) ? Exact::of($course, Search::quickly($course, 0.1)) : null;
        $found = $looked instanceof Looked ? $looked->best ?? throw Search::pinsThatCannotHold($course) : Search::in($course);

        return self::judged($course, $found, $looked instanceof Looked, Remedies::for($course, $found, Causes::of($course, $found)));
    }

    /**
     * The same while somebody waits for it: not every plan is looked at, and what might mend what is missing is named and not tried.
     *
     * @param  array<int, Program>  $accepted  by meeting: the plan that stands
     * @param  float  $effort  of the usual one
     *
     * @throws Refusal where no plan was found that holds all pins
     */
    public static function atOnce(Course $course, array $accepted = [], float $effort = self::AT_ONCE): self
    {
        $found = Search::in($course, $effort, $accepted);

        return self::judged($course, $found, false, Remedies::likely($course, Causes::of($course, $found)));
    }

    /**
     * The same with all the effort there is, while nobody waits: what might mend what is missing has been tried.
     *
     * @param  array<int, Program>  $accepted  by meeting
     *
     * @throws Refusal where no plan was found that holds all pins
     */
    public static function unhurried(Course $course, array $accepted = []): self
    {
        $found = Search::in($course, 1.0, $accepted);

        return self::judged($course, $found, false, Remedies::tried($course, $found, Causes::of($course, $found)));
    }

    /** @param  list<Missing>  $unmet */
    private static function judged(Course $course, Found $found, bool $isBest, array $unmet): self
    {
        $bound = self::bound($course, $found, $isBest);
        $proven = 0;
        $soon = $course->wishes->soon;
        foreach ($found->outcome->score->terms($soon) as $place => $term) {
            if (abs($term - $bound->terms($soon)[$place]) > 1e-9) {
                break;
            }
            $proven++;
        }

        return new self($course, $found, $bound, $proven, $unmet);
    }

    /** A plan that keeps promises may be beaten in the last two terms by one that does not. */
    private static function bound(Course $course, Found $found, bool $isBest): Score
    {
        $score = $found->outcome->score;
        $least = Bounds::of($course, $score);
        if (! $isBest) {
            return $least;
        }

        return match (true) {
            $course->promises === [] => $score,
            $course->wishes->soon => new Score($score->unmet, $score->completion, $least->forgotten, $least->crowding),
            default => new Score($score->unmet, $least->completion, $score->forgotten, $least->crowding),
        };
    }

    /** Where plan and bound part first. */
    public function gap(): Saying
    {
        $soon = $this->course->wishes->soon;
        $names = $soon ? ['teaching.leaves', 'teaching.completion', 'teaching.forgotten', 'teaching.crowding'] : ['teaching.leaves', 'teaching.forgotten', 'teaching.completion', 'teaching.crowding'];
        if (! isset($names[$this->proven])) {
            return new Saying('teaching.gap_none');
        }
        [$is, $least] = [$this->found->outcome->score->terms($soon)[$this->proven], $this->bound->terms($soon)[$this->proven]];

        return new Saying($this->proven === 0 ? 'teaching.gap' : 'teaching.gap_after', ['is' => round($is, 3), 'what' => new Saying($names[$this->proven]), 'least' => round($least, 3)]);
    }

    /** @return array<string, mixed> as the schema of `plan` says */
    public function toArray(): array
    {
        $meetings = $unmet = [];
        $standing = new Standing($this->course);
        $replay = new Replay($this->course);
        foreach ($this->found->plan as $meeting => $program) {
            $meetings[] = $this->meeting($standing, $meeting, $program, $replay);
        }
        foreach ($this->unmet as $one) {
            $leaf = $this->course->targets[$one->target]->leaf;
            $unmet[] = [
                'learner' => $this->course->learners[$one->learner]->id, 'badge' => $this->course->pursuits[$one->pursuit]->badge,
                'leaf' => ['knot' => $leaf->knot, 'level' => $leaf->level->value], 'cause' => $one->cause->value, 'remedy' => $one->remedy?->toArray(),
            ];
        }

        return [
            'meetings' => $meetings, 'objective' => $this->found->outcome->score->toArray(), 'bound' => $this->bound->toArray(),
            'proven' => $this->proven, 'gap' => Catalogue::english()->say($this->gap()), 'unmet' => $unmet, 'moved' => $this->moved($replay),
        ];
    }

    /** @return array<string, mixed> */
    private function meeting(Standing $standing, int $meeting, Program $program, Replay $replay): array
    {
        $again = $standing->again[$meeting] ?? 0.0;
        $old = $rounds = [];
        foreach ($program->old as $knot) {
            $having = $standing->having($knot, $meeting);
            $old[] = ['knot' => $this->course->knots[$knot]->id, 'learners' => $this->course->ids($having), 'minutes' => $replay->clock->old(count($having), $meeting)];
        }
        foreach ($program->rounds as $round) {
            $rounds[] = ['stations' => array_map(fn (Station $station): array => [
                'knot' => $this->course->knots[$station->knot]->id, 'learners' => $this->course->ids($station->learners), 'helpers' => $this->course->ids($station->helpers),
                'checkers' => $station->checkers, 'minutes' => $replay->clock->round([$station]),
            ], $round), 'minutes' => $replay->clock->round($round)];
        }
        $replay->meeting($standing, $meeting, $program);

        return [
            'id' => $this->course->meetings[$meeting]->id, 'rounds' => $rounds, 'old' => $old,
            'blocks' => array_map(fn (int $rig): array => $this->block($standing, $meeting, $rig), $program->rigs), 'again_minutes' => $again,
        ];
    }

    /** @return array{rig: string, learners: list<string>, knots: list<string>, minutes: float} */
    private function block(Standing $standing, int $meeting, int $rig): array
    {
        $pack = $this->course->rigs[$rig];
        $people = $knots = [];
        foreach ($this->course->present[$meeting] as $learner) {
            foreach ($pack->knots() as $id) {
                $knot = $this->course->knot($id);
                if ($knot !== null && $standing->has($learner, $knot)) {
                    $people[$learner] = $learner;
                    $knots[$id] = $id;
                }
            }
        }

        return ['rig' => $pack->id, 'learners' => $this->course->ids(array_values($people)), 'knots' => array_values($knots), 'minutes' => (float) $pack->minutes];
    }

    /** @return list<array{learner: string, knot: string, kind: string, from: string, to: ?string}> */
    private function moved(Replay $replay): array
    {
        $moved = [];
        foreach ($this->course->promises as $promise) {
            if ($replay->keeps($this->found->plan[$promise['meeting']], $promise)) {
                continue;
            }
            $to = null;
            foreach ($this->found->plan as $meeting => $program) {
                if ($to === null && $this->course->isHere[$meeting][$promise['learner']] && $replay->keeps($program, $promise)) {
                    $to = $this->course->meetings[$meeting]->id;
                }
            }
            $moved[] = ['learner' => $promise['promise']->learner, 'knot' => $promise['promise']->knot, 'kind' => $promise['isLesson'] ? 'lesson' : 'old', 'from' => $promise['promise']->meeting, 'to' => $to];
        }

        return $moved;
    }
}
