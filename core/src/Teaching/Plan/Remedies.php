<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\UnmetNeed;
use Compadre\Core\Teaching\UnmetReason;

/**
 * What a term leaves unmet, each with its reason and the cheapest remedy that, tried on a plan, makes it less: ten minutes
 * more a meeting, another checker, one more meeting.
 */
final class Remedies
{
    /** @var ?array<string, Term> plans with each remedy, made when first asked for */
    private ?array $tried = null;

    private function __construct(private readonly PlanCase $case, private readonly Term $term)
    {
    }

    /** @return list<UnmetNeed> */
    public static function of(PlanCase $case, Term $term): array
    {
        $remedies = new self($case, $term);

        return array_merge(...array_map($remedies->about(...), array_keys($case->knots)));
    }

    /** @return list<UnmetNeed> */
    private function about(int $knot): array
    {
        $found = [];
        $lacking = $this->term->lacking[$knot];
        if ($lacking !== $this->case->nobody) {
            $found[] = $this->untaught($knot, $lacking);
        }
        $notKept = $this->term->again[$knot] & ~$lacking;
        if ($notKept !== $this->case->nobody) {
            $found[] = UnmetReason::notKept($this->case->needs->knot($this->case->knots[$knot]), $this->ids($notKept), $this->case->meetings, $this->remedy($knot, 'Add one meeting, or show it a week earlier.'));
        }

        return $found;
    }

    private function untaught(int $knot, string $who): UnmetNeed
    {
        $id = $this->case->knots[$knot];
        if ($this->case->pinned[$knot] === -1) {
            return new UnmetNeed($id, Level::HasIt, $this->ids($who), 'It was left out on purpose.', 'Take it back into the plan.');
        }
        $waits = array_values(array_map(fn (int $first): string => $this->case->knots[$first], array_filter($this->case->before[$knot], fn (int $first): bool => ($this->term->lacking[$first] & $who) !== $this->case->nobody)));
        if ($waits === [] && $this->neverThere($knot, $who)) {
            return new UnmetNeed($id, Level::HasIt, $this->ids($who), 'They are not expected at any meeting in time at which it could be taught.', 'Find them another time, or move the date.');
        }

        return UnmetReason::notShown(
            $this->case->needs, $id, $this->ids($who), $this->case->meetings,
            fn (PlanMeeting $meeting): float => $this->case->lesson($knot, $who, (int) array_search($meeting, $this->case->meetings, true)),
            $waits, fn (): string => $this->remedy($knot, 'Add one meeting, or ten minutes to two of them.'),
        );
    }

    private function neverThere(int $knot, string $who): bool
    {
        $there = $this->case->nobody;
        foreach ($this->case->meetings as $number => $meeting) {
            if ($this->case->allowed[$knot][$number]) {
                $there |= $this->case->present[$number] & $this->case->inTime[$knot][$number];
            }
        }

        return $this->case->meetings !== [] && ($there & $who) === $this->case->nobody && array_filter($this->case->meetings, fn (PlanMeeting $meeting): bool => ($this->case->needs->dueOn($this->case->knots[$knot]) ?? '9999') >= $meeting->date) !== [];
    }

    private function remedy(int $knot, string $otherwise): string
    {
        $now = Bits::size($this->term->lacking[$knot] | $this->term->again[$knot]);
        foreach ($this->tried() as $remedy => $term) {
            if (Bits::size($term->lacking[$knot] | $term->again[$knot]) < $now) {
                return $remedy;
            }
        }

        return $otherwise;
    }

    /** @return array<string, Term> */
    private function tried(): array
    {
        if ($this->tried !== null) {
            return $this->tried;
        }
        $longer = static fn (PlanMeeting $meeting): PlanMeeting => $meeting->with(10, 0);
        $helped = static fn (PlanMeeting $meeting): PlanMeeting => $meeting->with(0, 1);
        $meetings = $this->case->meetings;
        $last = $meetings[count($meetings) - 1] ?? null;

        return $this->tried = array_map(
            fn (array $changed): Term => Search::quickly(new PlanCase($this->case->needs, $this->case->learners, $changed, $this->case->settings)),
            ['Make each meeting ten minutes longer.' => array_map($longer, $meetings), 'Bring one more checker.' => array_map($helped, $meetings)]
                + ($last === null ? [] : ['Add one meeting.' => [...$meetings, new PlanMeeting('one-more', $last->date, $last->minutes, $last->checkers, $last->objects)]]),
        );
    }

    /** @return list<string> */
    private function ids(string $who): array
    {
        return array_map(fn (int $learner): string => $this->case->learners[$learner]->id, Bits::members($who));
    }
}
