<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\ObjectsThere;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanRig;

/**
 * A case for the planner by numbers: learners by id, knots with what comes before them first, meetings by date, rigs. Nobody
 * decides here; everything a plan is judged by is laid out. Whatever the order of the input, the numbers are the same.
 */
final class Course
{
    /** @var list<PlanLearner> by id */
    public readonly array $learners;

    /** @var list<Evening> by date, then id */
    public readonly array $meetings;

    /** @var list<KnotPack> what comes before others first */
    public readonly array $knots;

    /** @var list<PlanRig> by id */
    public readonly array $rigs;

    /** @var list<list<int>> by knot: those that come before it */
    public array $before = [];

    /** @var list<list<list<string>>> by knot and method: the kinds of object it is tied to */
    public array $tiedTo = [];

    /** @var list<list<bool>> by knot and meeting: neither banned nor without anything to tie it to */
    public array $may = [];

    /** @var list<list<bool>> by rig and meeting: chosen for it, or offered without that, with what it is made of there and nobody too young */
    public array $mayRaise = [];

    /** @var list<float> by knot: what a lesson adds to the second tries of a learner's next meeting */
    public array $again = [];

    /** @var list<float> by knot: half-life in days at the first has it */
    public array $halfLife = [];

    /** @var list<int> by meeting, in days */
    public array $day = [];

    /** @var list<float> by meeting: minutes between opening and closing */
    public array $room = [];

    /** @var list<list<int>> by meeting: learners expected */
    public array $present = [];

    /** @var list<list<bool>> by meeting and learner */
    public array $isHere = [];

    /** @var list<array<int, int>> by meeting and learner: the learner's next meeting, or -1 */
    public array $next = [];

    /** @var list<array<int, true>> by learner and knot: a level of any kind is known */
    public array $known = [];

    /** @var list<int> by learner: lessons a meeting in knots of which no level is known */
    public array $limit = [];

    /** @var list<Target> */
    public array $targets = [];

    /** @var list<list<int>> by knot: its targets */
    public array $targetsOf = [];

    /** @var list<Pursuit> by learner, then as the learner has them */
    public array $pursuits = [];

    /** @var list<array<int, true>> by learner and knot: an open leaf, or it comes before one */
    public array $needs = [];

    /** @var list<array<int, true>> by learner and knot: a badge of the learner's names it */
    public array $asked = [];

    /** @var list<array<int, true>> by learner and knot: never shown */
    public array $never = [];

    /** @var list<array<int, int>> by learner and knot: the meeting it is pinned to, none before it */
    public array $pinned = [];

    /** @var list<array{knot: int, meeting: int, learners: ?list<int>, pin: Pin}> those to a meeting */
    public array $pins;

    /** @var list<array{learner: int, knot: int, isLesson: bool, meeting: int, promise: Promise}> those that count */
    public array $promises;

    /** The day on which what is forgotten is reckoned. */
    public int $horizon;

    /** @var array<int, array<int, array<int, array<int, int>>>> by learner, knot and last meeting: days from each meeting on */
    private array $days = [];

    /** @var array<string, int> */
    private array $knotNumbers;

    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, Aim>  $aims  by badge id
     * @param  list<Evening>  $meetings  those still to come
     */
    public function __construct(
        public readonly Library $library,
        public readonly string $now,
        array $learners,
        public readonly array $aims,
        array $meetings,
        public readonly Wishes $wishes,
    ) {
        usort($learners, static fn (PlanLearner $a, PlanLearner $b): int => strcmp($a->id, $b->id));
        usort($meetings, static fn (Evening $a, Evening $b): int => [$a->date, $a->id] <=> [$b->date, $b->id]);
        [$this->learners, $this->meetings] = [$learners, $meetings];
        $rigs = $wishes->rigs;
        ksort($rigs, SORT_STRING);
        $this->rigs = array_values($rigs);
        $this->knots = (new KnotOrder($library))->of($this->knotsMet());
        $this->knotNumbers = array_flip(array_map(static fn (KnotPack $knot): string => $knot->id, $this->knots));
        $this->readMeetings();
        $this->readKnots();
        $this->readRigs();
        $this->readPursuits();
        $this->readLearners();
        $this->readPins();
        $this->promises = (new Promised($this, $this->numbersOf($this->learners), $this->numbersOf($this->meetings)))->that($wishes->promises);
        $this->horizon = $this->reckonedOn();
    }

    public function knot(string $id): ?int
    {
        return $this->knotNumbers[$id] ?? null;
    }

    /**
     * @param  list<int>  $learners
     * @return list<string> their ids
     */
    public function ids(array $learners): array
    {
        return array_map(fn (int $number): string => $this->learners[$number]->id, $learners);
    }

    /**
     * Whether what stands there is enough for stations in these knots side by side: each takes one of each kind its method is tied to.
     *
     * @param  list<int>  $knots
     */
    public function hasObjectsFor(array $knots, int $meeting): bool
    {
        $there = $this->meetings[$meeting]->objects;

        return $there === null || ObjectsThere::areEnough(array_map(fn (int $knot): array => $this->tiedTo[$knot], $knots), $there);
    }

    /** Whether a badge of the learner's wants them to help others with the knot. */
    public function isToHelp(int $learner, int $knot): bool
    {
        return isset($this->asked[$learner][$knot]) && array_filter($this->targetsOf[$knot], fn (int $target): bool => $this->targets[$target]->deed === Deed::Help) !== [];
    }

    /** On how many days, of the meetings from one on and before another, this learner could tie this knot. */
    public function daysFor(int $learner, int $knot, int $from, int $by): int
    {
        if (! isset($this->days[$learner][$knot][$by])) {
            $counts = array_fill(0, count($this->meetings) + 1, 0);
            $next = null;
            for ($meeting = $by - 1; $meeting >= 0; $meeting--) {
                $could = $this->isHere[$meeting][$learner] && $this->may[$knot][$meeting];
                $counts[$meeting] = $counts[$meeting + 1] + ($could && $this->day[$meeting] !== $next ? 1 : 0);
                $next = $could ? $this->day[$meeting] : $next;
            }
            $this->days[$learner][$knot][$by] = $counts;
        }

        return $this->days[$learner][$knot][$by][$from];
    }

    /** @return list<string> every learners' knot that badges, levels, pins or rigs name, with what comes before them */
    private function knotsMet(): array
    {
        $met = [];
        foreach ($this->learners as $learner) {
            foreach (array_keys($learner->levels) as $knot) {
                $met[(string) $knot] = true;
            }
            foreach ($learner->badges as $badge) {
                $met += array_fill_keys($this->aims[$badge]->badge->knots(), true);
            }
        }
        foreach ([...array_map(static fn (Pin $pin): string => $pin->knot, $this->wishes->pins), ...array_merge([], ...array_map(static fn (PlanRig $rig): array => $rig->knots(), $this->rigs))] as $knot) {
            $met[$knot] = true;
        }

        return array_values(array_filter(array_map(strval(...), array_keys($met)), fn (string $knot): bool => $this->library->knot($knot)->isTaught()));
    }

    private function readMeetings(): void
    {
        $calendar = new Calendar($this->learners, $this->meetings);
        [$this->day, $this->room, $this->present] = [$calendar->day, $calendar->room, $calendar->present];
        [$this->isHere, $this->next] = [$calendar->isHere, $calendar->next];
    }

    private function readKnots(): void
    {
        $model = MemoryModel::usual();
        foreach ($this->knots as $number => $knot) {
            $this->before[] = array_values(array_filter(array_map($this->knot(...), $knot->prerequisites), is_int(...)));
            $this->tiedTo[] = ObjectsThere::tiedTo($knot);
            $this->again[] = (1 - ($this->wishes->passRates[$knot->id] ?? Wishes::PASS_RATE)) * (0.5 + 0.25 * $knot->minutes);
            $this->halfLife[] = $knot->hard ? $model->hardStart : $model->start;
            $this->targetsOf[] = $may = [];
            foreach ($this->meetings as $place => $meeting) {
                $may[] = ! $this->wishes->bans($knot, $meeting->id) && $this->hasObjectsFor([$number], $place);
            }
            $this->may[] = $may;
        }
    }

    private function readRigs(): void
    {
        $youngest = array_map(fn (array $present): AgeBand => AgeBand::youngest(array_map(fn (int $learner): AgeBand => $this->learners[$learner]->band, $present)), $this->present);
        foreach ($this->rigs as $rig) {
            $this->mayRaise[] = array_map(static fn (Evening $meeting, AgeBand $band): bool => in_array($rig->id, $meeting->rigs, true) || $rig->mayBePutIn($meeting->objects, $band), $this->meetings, $youngest);
        }
    }

    private function readPursuits(): void
    {
        $way = new WayToBadges($this->learners, $this->aims, $this->meetings, $this->knotNumbers, $this->rigs, $this->wishes->ticksByHand);
        [$this->pursuits, $this->targets] = [$way->pursuits, $way->targets];
        foreach ($this->targets as $number => $target) {
            $this->targetsOf[$target->knot] = [...$this->targetsOf[$target->knot], $number];
        }
    }

    private function readLearners(): void
    {
        foreach ($this->learners as $learner) {
            $known = [];
            foreach (array_keys($learner->levels) as $knot) {
                $number = $this->knot((string) $knot);
                if ($number !== null) {
                    $known[$number] = true;
                }
            }
            $this->known[] = $known;
            $this->limit[] = $this->wishes->newKnots ?? $learner->band->newKnotsAMeeting();
            $this->needs[] = $this->asked[] = [];
        }
        foreach ($this->pursuits as $pursuit) {
            $learner = $this->learners[$pursuit->learner];
            foreach ($pursuit->ask->targets() as $target) {
                $this->asked[$pursuit->learner][$this->targets[$target]->knot] = true;
                if (! $this->targets[$target]->isMetBy($learner)) {
                    $this->need($pursuit->learner, $this->targets[$target]->knot);
                }
            }
        }
    }

    private function need(int $learner, int $knot): void
    {
        if (isset($this->needs[$learner][$knot])) {
            return;
        }
        $this->needs[$learner][$knot] = true;
        if (! $this->learners[$learner]->holds($this->knots[$knot]->id)) {
            foreach ($this->before[$knot] as $first) {
                if (! $this->learners[$learner]->holds($this->knots[$first]->id)) {
                    $this->need($learner, $first);
                }
            }
        }
    }

    private function readPins(): void
    {
        $word = new LeadersWord($this->wishes, $this->numbersOf($this->learners), $this->knotNumbers, $this->numbersOf($this->meetings));
        $this->pins = $word->pins;
        foreach (array_keys($this->learners) as $learner) {
            $this->never[] = $word->never[$learner] ?? [];
            $this->pinned[] = $word->pinned[$learner] ?? [];
        }
    }

    /**
     * @param  list<PlanLearner|Evening>  $all
     * @return array<string, int> by id
     */
    private function numbersOf(array $all): array
    {
        return array_flip(array_map(static fn (PlanLearner|Evening $one): string => $one->id, $all));
    }

    /** 28 days after the last meeting, or the latest date of any badge, if that is later. */
    private function reckonedOn(): int
    {
        $dates = array_map(static fn (Aim $aim): int => $aim->dueOn === null ? 0 : Memory::dayNumber($aim->dueOn), array_values($this->aims));

        return max([28 + max([Memory::dayNumber($this->now), ...$this->day]), ...$dates]);
    }
}
