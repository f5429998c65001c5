<?php

declare(strict_types=1);

namespace App\Course;

use App\Bench\RigsAtHand;
use App\Models\Award;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Meeting;
use App\Models\Pole;
use Carbon\CarbonImmutable;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\PassRates;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Aim;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\Pin;
use Compadre\Core\Teaching\Rounds\Program;
use Compadre\Core\Teaching\Rounds\TermPlan as Planned;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\Term\Accepted;
use Compadre\Core\Teaching\Term\PlanPart;
use Compadre\Core\Teaching\Term\TermSheet;
use Illuminate\Database\Eloquent\Collection;

/**
 * The core's plan for a group: as it was accepted, as it would be laid out anew, or with something changed.
 */
final class TermPlan
{
    private ?TermSheet $kept = null;

    private ?Pace $pace = null;

    private ?PassRates $rates = null;

    /** @var ?list<PlanLearner> */
    private ?array $learners = null;

    /** @var array<string, ?string> meeting by knot, null to leave it out */
    private array $places;

    /** @var array<string, list<PlanPart>> by meeting still to come */
    private array $accepted;

    /** @var array<string, list<string>> rigs by the meeting they were chosen for */
    private array $chosen;

    /** @var array<string, list<string>> learners who are handed a badge, by meeting */
    private array $awards;

    /** How many the store has. */
    private int $poles;

    /** @param  Collection<int, Meeting>  $meetings */
    private function __construct(private readonly GroupState $state, private readonly Group $group, private readonly Collection $meetings, private readonly Library $library, private readonly RigsAtHand $rigs)
    {
        $this->places = $group->places()->orderBy('knot')->pluck('meeting_id', 'knot')->all();
        $this->accepted = array_intersect_key(KeptParts::of($group), array_flip($meetings->filter(fn (Meeting $meeting): bool => $meeting->isAhead($state->today))->modelKeys()));
        ksort($this->accepted);
        $this->chosen = $rigs->chosen($group);
        $this->awards = Award::toHandOver($group);
        $this->poles = (int) $group->poles()->get()->sum(fn (Pole $pole): int => $pole->count);
    }

    /** @param  Collection<int, Meeting>  $meetings */
    public static function of(GroupState $state, Group $group, Collection $meetings, Library $library, RigsAtHand $rigs): self
    {
        return new self($state, $group, $meetings, $library, $rigs);
    }

    /** As accepted: whoever was told to learn something somewhere does, as long as that can be; the rest is filled in. */
    public function kept(): TermSheet
    {
        return $this->kept ??= $this->plan(new PlanChange, $this->pins(), $this->accepted !== [], 'kept');
    }

    /** Laid out anew from what happened since, moving as little as it must. */
    public function anew(): TermSheet
    {
        return $this->improved() ?? ($this->accepted === [] ? $this->kept() : $this->plan(new PlanChange, $this->pins(), false, 'anew'));
    }

    /** Whether a plan has been accepted, so that it stands until a leader says otherwise. */
    public function isAccepted(): bool
    {
        return $this->accepted !== [];
    }

    /** Laid out anew for badges as soon as can be, or for as much as can be still known afterwards. */
    public function inPace(bool $soon): TermSheet
    {
        return $this->plan(new PlanChange, $this->pins(), false, $soon ? 'soon' : 'keep', $soon);
    }

    /** As accepted, but for one change; what is not pinned may make room. */
    public function with(PlanChange $change): TermSheet
    {
        $pins = array_replace($this->pins(), $change->moves);
        if ($change->remedy?->kind === 'unpin') {
            unset($pins[$change->remedy->what]);
        }
        if ($change->remedy?->kind === 'drop') {
            $pins[$change->remedy->what] = null;
        }

        return $this->plan($change, $pins, false);
    }

    public function pace(): Pace
    {
        return $this->pace ??= GroupWishes::pace($this->meetings);
    }

    public function passRates(): PassRates
    {
        return $this->rates ??= GroupWishes::passRates($this->group);
    }

    /** @return list<string> knots a leader has put where they are */
    public function pinned(): array
    {
        return array_map(strval(...), array_keys($this->pins()));
    }

    /** @return array<string, ?string> those that still say something: to a meeting to come, in a knot that somebody expected there lacks */
    private function pins(): array
    {
        $ahead = [];
        foreach ($this->meetings as $meeting) {
            if ($meeting->isAhead($this->state->today)) {
                $ahead[$meeting->id] = true;
            }
        }
        $pins = [];
        foreach ($this->places as $knot => $meeting) {
            $lacking = array_filter($this->learners(), static fn (PlanLearner $learner): bool => ! $learner->holds((string) $knot) && ! in_array($meeting, $learner->away, true));
            if ($meeting === null || isset($ahead[$meeting]) && $lacking !== []) {
                $pins[(string) $knot] = $meeting;
            }
        }

        return $pins;
    }

    /** Laid out anew with all the effort there is, and kept: what a job does while nobody waits. */
    public function improve(): TermSheet
    {
        [$from, $wishes] = $this->case(new PlanChange, $this->pins(), false);

        return KeptPlan::of($this->group, 'better', $this->stamped($from, $wishes), fn (): TermSheet => $this->lay(new PlanChange, $from, $wishes, Planned::unhurried(...)));
    }

    /** What the job found, where nothing has changed since. */
    public function improved(): ?TermSheet
    {
        return KeptPlan::there($this->group, 'better', $this->stamped(...$this->case(new PlanChange, $this->pins(), false)));
    }

    /**
     * @param  array<string, ?string>  $pins
     * @param  bool  $held  whether what was accepted comes before all else
     * @param  'kept'|'anew'|'soon'|'keep'|null  $kind  null: asked once, and not kept
     */
    private function plan(PlanChange $change, array $pins, bool $held, ?string $kind = null, ?bool $soon = null): TermSheet
    {
        [$from, $wishes] = $this->case($change, $pins, $held, $soon);
        $lay = fn (): TermSheet => $this->lay($change, $from, $wishes, Planned::atOnce(...));

        return $kind === null ? $lay() : KeptPlan::of($this->group, $kind, $this->stamped($from, $wishes), $lay);
    }

    /**
     * @param  array<string, ?string>  $pins
     * @return array{array{string, list<PlanLearner>, array<string, Aim>, list<Evening>}, Wishes}
     */
    private function case(PlanChange $change, array $pins, bool $held, ?bool $soon = null): array
    {
        $wishes = new Wishes(
            $soon ?? $this->group->pace === 'soon', $this->pace()->lessons(), $this->group->new_knots, $this->group->old_share, $this->passRates()->byKnot(),
            array_map(static fn (string $knot, ?string $meeting): Pin => new Pin($knot, $meeting), array_map(strval(...), array_keys($pins)), array_values($pins)),
            GroupWishes::bans($this->meetings), Accepted::promises($this->accepted), $this->rigs->of($this->group), $held, $this->pace()->byKnot(), true,
        );

        return [[$this->state->today, $this->learners(), $this->aims($change), $this->ahead($change)], $wishes];
    }

    /**
     * @param  array<mixed>  $from
     * @return array<mixed> all that a plan is laid out from
     */
    private function stamped(array $from, Wishes $wishes): array
    {
        return [...$from, $wishes, $this->accepted, $this->library->stamp()];
    }

    /**
     * @param  array{string, list<PlanLearner>, array<string, Aim>, list<Evening>}  $from
     * @param  callable(Course, array<int, Program>): Planned  $planner
     */
    private function lay(PlanChange $change, array $from, Wishes $wishes, callable $planner): TermSheet
    {
        $plan = function (Wishes $wishes) use ($from, $planner): TermSheet {
            $course = new Course($this->library, $from[0], $from[1], $from[2], $from[3], $wishes);

            return TermSheet::of($planner($course, $this->accepted === [] ? [] : Accepted::programs($course, $this->accepted)));
        };
        try {
            return $plan($wishes);
        } catch (Refusal $refusal) {
            // A plan that stands is shown even where something has happened since that a pin cannot hold against.
            return $change->moves === [] && $wishes->pins !== [] ? $plan($wishes->withPins(array_values(array_filter($wishes->pins, static fn (Pin $pin): bool => $pin->meeting === null)))) : throw $change->told($refusal, $wishes->pins);
        }
    }

    /** @return list<PlanLearner> */
    private function learners(): array
    {
        return $this->learners ??= $this->state->planLearners($this->meetings);
    }

    /** @return array<string, Aim> by badge */
    private function aims(PlanChange $change): array
    {
        $aims = [];
        foreach ($this->state->badges as $id => $badge) {
            $due = $this->state->dates[$id];
            if ($due !== null && $change->remedy?->kind === 'date' && $change->remedy->what === (string) $id) {
                $due = CarbonImmutable::parse($due)->addDays($change->remedy->by)->format('Y-m-d');
            }
            $aims[(string) $id] = new Aim($badge, $due, ! isset($this->state->wished[$id]));
        }

        return $aims;
    }

    /** @return list<Evening> those still to come, with the change */
    private function ahead(PlanChange $change): array
    {
        $ahead = [];
        foreach ($this->meetings as $meeting) {
            if ($meeting->isAhead($this->state->today)) {
                [$minutes, $checkers] = [$change->minutes, $change->checkers];
                if ($change->remedy !== null && $change->remedy->what === $meeting->id) {
                    $minutes += $change->remedy->kind === 'minutes' ? $change->remedy->by : 0;
                    $checkers += $change->remedy->kind === 'checker' ? $change->remedy->by : 0;
                }
                $ahead[] = new Evening($meeting->id, $meeting->date, max(10, $meeting->minutes + $minutes), max(1, $meeting->checkers + $checkers), $this->objects($meeting), rigs: $this->chosen[$meeting->id] ?? [], awards: $this->awards[$meeting->id] ?? []);
            }
        }
        $last = $ahead[count($ahead) - 1] ?? null;
        for ($more = 1; $last !== null && $more <= $change->meetings + ($change->remedy?->kind === 'meeting' ? 1 : 0); $more++) {
            $ahead[] = new Evening("more-$more", CarbonImmutable::parse($last->date)->addWeeks($more)->format('Y-m-d'), $last->minutes, $last->checkers, $last->objects);
        }

        return $ahead;
    }

    /** @return ?array<string, ?int> what there is to tie to: of poles as many as the store has, of the rest as many as are wanted; null: all kinds */
    private function objects(Meeting $meeting): ?array
    {
        return $meeting->objects === null ? null : array_replace(array_fill_keys($meeting->objects, null), in_array('pole', $meeting->objects, true) && $this->poles > 0 ? ['pole' => $this->poles] : []);
    }
}
