<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\ObjectsThere;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\TimeModel;

/**
 * A planning case by numbers: learners, knots (prerequisites first) and meetings (by date) numbered from 0, sets of
 * learners as bits. Nobody decides here; everything a plan is judged by is laid out.
 */
final class PlanCase
{
    /** @var list<PlanLearner> */
    public array $learners;

    /** @var list<PlanMeeting> */
    public array $meetings;

    /** @var list<string> knots that someone has to be taught or has to tie again, prerequisites first */
    public array $knots;

    /** @var list<list<int>> by knot */
    public array $before = [];

    /** @var list<string> by knot: learners to be taught it */
    public array $lacking = [];

    /** @var list<string> by knot: learners who have to tie it once more on another day */
    public array $again = [];

    /** @var list<list<string>> by knot and meeting: learners whose date has not passed */
    public array $inTime = [];

    /** @var list<string> by knot: learners who need it by a date */
    public array $dated = [];

    /** @var list<bool> by knot: nobody has met with it yet */
    public array $isNew = [];

    /** @var list<list<bool>> by knot and meeting */
    public array $allowed = [];

    /** @var list<?int> by knot: the meeting it is pinned to, -1 to leave it out; null: free */
    public array $pinned = [];

    /** @var list<?int> by knot: where the previous plan had it; null: nowhere known */
    public array $previous = [];

    /** @var list<string> by meeting */
    public array $present = [];

    /** @var list<float> by meeting: minutes between welcome and clearing up, less those of the rigs that a leader chose */
    public array $room = [];

    /** @var list<float> by meeting: minutes of it kept for old knots */
    public array $share = [];

    /** @var list<array{learner: int, badge: string, leaves: list<array{int, bool}>}> knot and whether it takes two days */
    public array $goals = [];

    public int $newKnots;

    public string $nobody;

    /** @var array<string, int> meetings by id */
    private array $numbers;

    /** @var list<array{AgeBand, string}> the youngest first */
    private array $bands = [];

    /** @var array<string, float> */
    private array $lessons = [];

    /**
     * @param  list<PlanLearner>  $learners
     * @param  list<PlanMeeting>  $meetings  by date
     */
    public function __construct(public readonly CourseNeeds $needs, array $learners, array $meetings, public readonly PlanSettings $settings)
    {
        [$this->learners, $this->meetings] = [$learners, $meetings];
        $this->numbers = array_flip(array_map(static fn (PlanMeeting $meeting): string => $meeting->id, $meetings));
        $this->nobody = Bits::none(count($learners));
        $this->knots = $needs->order();
        $this->readLearners();
        $this->readMeetings();
        foreach ($this->knots as $knot) {
            $this->readKnot($knot);
        }
        $this->readGoals();
    }

    /** Minutes of a lesson in a knot for some learners. */
    public function lesson(int $knot, string $who, int $meeting): float
    {
        return $this->lessons["$knot,$meeting,$who"] ??= $this->lessonFor($knot, $who, $this->meetings[$meeting]->checkers, $this->isNew[$knot] ? 'new' : 'again');
    }

    public function lessonFor(int $knot, string $who, int $checkers, string $kind): float
    {
        return TimeModel::newKnot($this->needs->minutes($this->knots[$knot]), $this->youngest($who), Bits::size($who), $checkers) * ($this->settings->pace?->factor($kind) ?? 1.0);
    }

    /**
     * Minutes of lessons at stations side by side: the first has the checkers that the others, with one each, leave it.
     *
     * @param  non-empty-list<array{int, string}>  $stations  knot and learners
     */
    public function sideBySide(array $stations, int $meeting): float
    {
        [$knot, $who] = $stations[0];
        $checkers = $this->meetings[$meeting]->checkers;
        if (count($stations) === 1) {
            return $this->lesson($knot, $who, $meeting);
        }
        $minutes = $this->lessonFor($knot, $who, max(1, $checkers - count($stations) + 1), $this->isNew[$knot] ? 'new' : 'again');
        foreach (array_slice($stations, 1) as [$other, $learners]) {
            $minutes = max($minutes, $this->lessonFor($other, $learners, 1, 'again'));
        }

        return $minutes;
    }

    public function revisit(string $who, int $meeting): float
    {
        return TimeModel::oldKnot(Bits::size($who), $this->meetings[$meeting]->checkers) * ($this->settings->pace?->factor('old') ?? 1.0);
    }

    public function youngest(string $who): AgeBand
    {
        foreach ($this->bands as [$band, $set]) {
            if (($who & $set) !== $this->nobody) {
                return $band;
            }
        }

        return AgeBand::From11;
    }

    /** Learner-requirements in all. */
    public function total(): int
    {
        return array_sum(array_map(fn (int $knot): int => Bits::size($this->lacking[$knot] | $this->again[$knot]), array_keys($this->knots)));
    }

    /** @return list<int> meetings a knot may be shown in, or just the one it is pinned to */
    public function choices(int $knot): array
    {
        $pinned = $this->pinned[$knot];
        if ($pinned !== null) {
            return $pinned < 0 ? [] : [$pinned];
        }

        return array_keys(array_filter($this->allowed[$knot]));
    }

    private function readLearners(): void
    {
        foreach (AgeBand::cases() as $band) {
            $this->bands[] = [$band, $this->those(static fn (PlanLearner $learner): bool => $learner->band === $band)];
        }
        $this->newKnots = $this->settings->newKnots ?? AgeBand::youngest(array_map(static fn (PlanLearner $learner): AgeBand => $learner->band, $this->learners))->newKnotsAMeeting();
    }

    private function readMeetings(): void
    {
        foreach ($this->meetings as $meeting) {
            $this->present[] = $this->those(static fn (PlanLearner $learner): bool => ! in_array($meeting->id, $learner->away, true));
            $chosen = array_sum(array_map(fn (string $rig): int => isset($this->settings->rigs[$rig]) ? $this->settings->rigs[$rig]->minutes : 0, $meeting->rigs));
            $room = max(0.0, (float) ($meeting->minutes - TimeModel::WELCOME - TimeModel::CLEAR_UP - $chosen));
            $this->room[] = $room;
            $this->share[] = min($room, $this->settings->oldShare * $meeting->minutes);
        }
    }

    private function readKnot(string $knot): void
    {
        $pack = $this->needs->knot($knot);
        $this->before[] = array_values(array_filter(array_map(fn (string $first): int|false => array_search($first, $this->knots, true), $pack->prerequisites), is_int(...)));
        [$lacking, $again] = [[], []];
        $wanted = $this->needs->learnersFor($knot);
        $met = false;
        foreach ($this->learners as $index => $learner) {
            $level = $wanted[$learner->id] ?? null;
            $met = $met || isset($learner->levels[$knot]);
            if ($level !== null && ! CourseNeeds::holds($learner, $knot)) {
                $lacking[] = $index;
            }
            if ($level !== null && self::takesTwo($level)) {
                $again[] = $index;
            }
        }
        $this->lacking[] = Bits::of(count($this->learners), $lacking);
        $this->again[] = Bits::of(count($this->learners), $again);
        $this->isNew[] = ! $met;
        [$inTime, $allowed] = [[], []];
        foreach ($this->meetings as $meeting) {
            $inTime[] = $this->those(fn (PlanLearner $learner): bool => ($this->needs->dueFor($knot, $learner->id) ?? '9999') >= $meeting->date);
            $allowed[] = $this->tieable($pack, $meeting) && array_filter($this->settings->bans, static fn (Ban $ban): bool => $ban->covers($pack, $meeting->id)) === [];
        }
        $this->inTime[] = $inTime;
        $this->dated[] = $this->those(fn (PlanLearner $learner): bool => $this->needs->dueFor($knot, $learner->id) !== null);
        $this->allowed[] = $allowed;
        $this->pinned[] = array_key_exists($knot, $this->settings->pins) ? $this->numberOf($this->settings->pins[$knot], "/pins/$knot") : null;
        $this->previous[] = $this->numbers[$this->settings->previous[$knot] ?? ''] ?? null;
    }

    private function numberOf(?string $meeting, string $field): int
    {
        return $meeting === null ? -1 : $this->numbers[$meeting] ?? throw Refusal::of($field, $meeting, 'a meeting still to come, or nothing to leave the knot out');
    }

    /** @param  callable(PlanLearner): bool  $are */
    private function those(callable $are): string
    {
        return Bits::of(count($this->learners), array_keys(array_filter($this->learners, $are)));
    }

    /** Whether one of its methods can be tied with what there is to tie to. */
    private function tieable(KnotPack $pack, PlanMeeting $meeting): bool
    {
        return $meeting->objects === null || ObjectsThere::areEnough([ObjectsThere::tiedTo($pack)], array_fill_keys($meeting->objects, null));
    }

    private function readGoals(): void
    {
        $learners = array_flip(array_map(static fn (PlanLearner $learner): string => $learner->id, $this->learners));
        $knots = array_flip($this->knots);
        foreach ($this->needs->goals() as $goal) {
            $this->goals[] = ['learner' => $learners[$goal['learner']], 'badge' => $goal['badge'], 'leaves' => array_map(static fn (Leaf $leaf): array => [$knots[$leaf->knot], self::takesTwo($leaf->level)], $goal['leaves'])];
        }
    }

    /** Kept, used and taught are shown on another day than the knot was learned on. */
    private static function takesTwo(Level $level): bool
    {
        return in_array($level, [Level::Kept, Level::UsesIt, Level::TeachesIt], true);
    }
}
