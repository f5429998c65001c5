<?php

declare(strict_types=1);

namespace App\Course;

use App\Bench\RigsAtHand;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Meeting;
use App\Models\PlanPlace;
use Carbon\CarbonImmutable;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\Plan\Ban;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\Plan\PlanSettings;
use Compadre\Core\Teaching\PlanMeeting;
use Illuminate\Database\Eloquent\Collection;

/**
 * The core's plan for a group: as it was accepted, as it would be laid out anew, or with something changed.
 */
final class TermPlan
{
    private ?CoursePlan $kept = null;

    private ?Pace $pace = null;

    /** @var array<string, PlanPlace> by knot */
    private array $places;

    /** @param  Collection<int, Meeting>  $meetings */
    private function __construct(private readonly GroupState $state, private readonly Group $group, private readonly Collection $meetings, private readonly Library $library, private readonly RigsAtHand $rigs)
    {
        $this->places = $group->places()->get()->keyBy('knot')->all();
    }

    /** @param  Collection<int, Meeting>  $meetings */
    public static function of(GroupState $state, Group $group, Collection $meetings, Library $library, RigsAtHand $rigs): self
    {
        return new self($state, $group, $meetings, $library, $rigs);
    }

    /** As accepted: every knot stays where it is, as long as that meeting is still to come. */
    public function kept(): CoursePlan
    {
        return $this->kept ??= $this->plan(new PlanChange, $this->pins(true), null, 'kept');
    }

    /** Laid out anew from what happened since, moving as little as it must. */
    public function anew(): CoursePlan
    {
        return $this->plan(new PlanChange, $this->pins(false), array_map(static fn (PlanPlace $place): ?string => $place->meeting_id, $this->places), 'anew');
    }

    /** As accepted, but for one change; the knots not pinned may make room. */
    public function with(PlanChange $change): CoursePlan
    {
        $before = $this->kept()->shownIn;

        try {
            return $this->plan($change, array_replace($this->pins(false), $change->moves), array_diff_key($before, $change->moves));
        } catch (Refusal $refusal) {
            throw $change->told($refusal);
        }
    }

    public function pace(): Pace
    {
        if ($this->pace === null) {
            $runs = [];
            foreach ($this->meetings->load('blocks')->flatMap(fn (Meeting $meeting): Collection => $meeting->blocks) as $run) {
                $taken = $run->state === 'done' ? $run->minutesTaken(CarbonImmutable::now()) : 0.0;
                if ($taken > 0 && $run->planned > 0) {
                    $runs[] = ['kind' => $run->kind, 'planned' => $run->planned, 'taken' => $taken];
                }
            }
            $this->pace = Pace::from($runs);
        }

        return $this->pace;
    }

    /** @return array<string, bool> knots a leader has put where they are */
    public function pinned(): array
    {
        return array_map(static fn (PlanPlace $place): bool => $place->pinned, $this->places);
    }

    /** @return array<string, ?string> meeting by knot */
    private function pins(bool $accepted): array
    {
        $ahead = array_flip(array_map(static fn (PlanMeeting $meeting): string => $meeting->id, $this->ahead(new PlanChange)));
        $pins = [];
        foreach ($this->places as $knot => $place) {
            if (($accepted || $place->pinned) && ($place->meeting_id === null ? $place->pinned : isset($ahead[$place->meeting_id]))) {
                $pins[$knot] = $place->meeting_id;
            }
        }

        return $pins;
    }

    /**
     * @param  array<string, ?string>  $pins
     * @param  ?array<string, ?string>  $previous
     * @param  'kept'|'anew'|null  $kind  null: asked once, and not kept
     */
    private function plan(PlanChange $change, array $pins, ?array $previous, ?string $kind = null): CoursePlan
    {
        $settings = new PlanSettings($this->group->old_share, $this->group->new_knots, $pins, $this->bans(), $previous, $this->pace(), $this->rigs->of($this->group));

        $from = [$this->state->planLearners($this->meetings), $this->state->badges, $this->state->dates, $this->ahead($change)];
        $lay = fn (): CoursePlan => CoursePlanner::plan($from[0], $from[1], $from[2], $from[3], $this->library, $settings);

        return $kind === null ? $lay() : KeptPlan::of($this->group, $kind, [...$from, $settings, $this->library->stamp()], $lay);
    }

    /** @return list<Ban> */
    private function bans(): array
    {
        $bans = [];
        foreach ($this->meetings as $meeting) {
            foreach ($meeting->bans ?? [] as $what) {
                $bans[] = new Ban($what, $meeting->id);
            }
        }

        return $bans;
    }

    /** @return list<PlanMeeting> those still to come, with the change */
    private function ahead(PlanChange $change): array
    {
        $ahead = [];
        $chosen = $this->rigs->chosen($this->group);
        foreach ($this->meetings as $meeting) {
            if ($meeting->isAhead($this->state->today)) {
                $ahead[] = new PlanMeeting($meeting->id, $meeting->date, $meeting->minutes + $change->minutes, $meeting->checkers + $change->checkers, $meeting->objects, $chosen[$meeting->id] ?? []);
            }
        }
        $last = $ahead[count($ahead) - 1] ?? null;
        for ($more = 1; $last !== null && $more <= $change->meetings; $more++) {
            $ahead[] = new PlanMeeting("more-$more", CarbonImmutable::parse($last->date)->addWeeks($more)->format('Y-m-d'), $last->minutes, $last->checkers, $last->objects);
        }

        return $ahead;
    }
}
