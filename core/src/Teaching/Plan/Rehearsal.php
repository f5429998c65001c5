<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

/**
 * Plays a term through, meeting by meeting. Whoever decides gives the meeting each knot is shown in; the rest follows by
 * rule: a lesson is for those present who lack the knot and have what comes before it; who missed it is taught as soon as a
 * later meeting has room; whoever has to show it on another day does so as soon as a later meeting has room. Lessons are
 * hard bounds: what does not fit between welcome and clearing up, or is one new knot too many, is no term.
 */
final class Rehearsal
{
    /** Left to the rehearsal: the first meeting with room takes it. */
    public const OPEN = -2;

    private const EASE = 1e-9;

    private Term $term;

    /** @param  ?list<int>  $order  the order in which open knots are tried */
    private function __construct(private readonly PlanCase $case, private readonly ?array $order)
    {
    }

    /**
     * @param  array<int, int>  $choice  by knot: meeting, -1 to leave it out, or OPEN
     * @param  float  $patience  learners for each minute, below which a lesson for those who missed it waits
     * @param  ?list<int>  $order  numbers of all knots; null: always the one that serves most for a minute
     * @param  float  $roomShare  how much of the time for old knots open knots leave alone
     * @return ?Term null where a lesson does not fit
     */
    public static function of(PlanCase $case, array $choice, float $patience = 0.0, ?array $order = null, float $roomShare = 1.0): ?Term
    {
        $rehearsal = new self($case, $order);
        $rehearsal->term = new Term($choice, $patience, $case->lacking, $case->again);

        return $rehearsal->play($roomShare) ? $rehearsal->term : null;
    }

    private function play(float $roomShare): bool
    {
        $byMeeting = [];
        $shown = [];
        foreach ($this->term->choice as $knot => $meeting) {
            $byMeeting[$meeting][] = $knot;
        }
        foreach ($this->case->room as $meeting => $room) {
            $this->term->lessons[] = $this->term->revisits[] = [];
            $minutes = 0.0;
            $fresh = 0;
            foreach ($byMeeting[$meeting] ?? [] as $knot) {
                $who = $this->ready($knot, $meeting);
                if ($who === $this->case->nobody) {
                    continue;
                }
                $minutes += $this->case->lesson($knot, $who, $meeting);
                $fresh += $this->case->isNew[$knot] ? 1 : 0;
                if ($minutes > $room + self::EASE || $fresh > $this->case->newKnots) {
                    return false;
                }
                $this->teach($knot, $who, $meeting);
                $shown[$knot] = true;
            }
            $minutes = $this->fillOpen($meeting, $minutes, $fresh, $room - $roomShare * $this->case->share[$meeting], $shown);
            $minutes = $this->catchUp($meeting, $minutes, $room, $shown);
            $this->term->crowding += max(0.0, $minutes - $room + $this->case->share[$meeting]) ** 2;
            $this->revisit($meeting, $minutes, $room);
        }
        foreach ($this->term->choice as $knot => $meeting) {
            if ($meeting === self::OPEN) {
                $this->term->choice[$knot] = -1;
            }
        }

        return true;
    }

    /** Those present and in time who lack the knot and have all that comes before it. */
    private function ready(int $knot, int $meeting): string
    {
        $who = $this->term->lacking[$knot] & $this->case->present[$meeting] & $this->case->inTime[$knot][$meeting];
        foreach ($this->case->before[$knot] as $first) {
            $who &= ~$this->term->lacking[$first];
        }

        return $who;
    }

    private function teach(int $knot, string $who, int $meeting, ?int $beside = null): void
    {
        $this->term->lessons[$meeting][] = [$knot, $who, $beside];
        $this->term->taught[$knot][] = [$meeting, $who];
        $this->term->lacking[$knot] &= ~$who;
    }

    /**
     * Open knots for the minutes left, by the order given, or each time the one that serves most for a minute.
     *
     * @param  array<int, true>  $shown
     */
    private function fillOpen(int $meeting, float $minutes, int $fresh, float $budget, array &$shown): float
    {
        do {
            [$found, $best] = [null, 0.0];
            foreach ($this->order ?? array_keys($this->case->knots) as $knot) {
                if ($this->term->choice[$knot] !== self::OPEN || ! $this->case->allowed[$knot][$meeting] || $this->case->isNew[$knot] && $fresh >= $this->case->newKnots) {
                    continue;
                }
                $who = $this->ready($knot, $meeting);
                if ($who === $this->case->nobody) {
                    continue;
                }
                $takes = $this->case->lesson($knot, $who, $meeting);
                $worth = $this->worth($knot, $who) / $takes;
                if ($minutes + $takes <= $budget + self::EASE && $worth > $best) {
                    [$found, $best] = [[$knot, $who, $takes], $this->order === null ? $worth : INF];
                }
            }
            if ($found !== null) {
                [$knot, $who, $takes] = $found;
                $minutes += $takes;
                $fresh += $this->case->isNew[$knot] ? 1 : 0;
                $this->term->choice[$knot] = $meeting;
                $this->teach($knot, $who, $meeting);
                $shown[$knot] = true;
            }
        } while ($found !== null);

        return $minutes;
    }

    /** How many a lesson serves; those who have a date to keep count twice. */
    private function worth(int $knot, string $who): int
    {
        return Bits::size($who) + Bits::size($who & $this->case->dated[$knot]);
    }

    /**
     * Who missed a knot is taught it where that costs the meeting least: beside a lesson, when there is a checker for a
     * second station and none of them is needed at the first, or in a lesson of its own.
     *
     * @param  array<int, true>  $shown
     */
    private function catchUp(int $meeting, float $minutes, float $room, array $shown): float
    {
        $waiting = [];
        foreach ($shown as $knot => $yes) {
            if ($this->term->lacking[$knot] !== $this->case->nobody && $this->case->allowed[$knot][$meeting] && $this->term->choice[$knot] !== $meeting) {
                $waiting[$knot] = $this->worth($knot, $this->ready($knot, $meeting)) / $this->case->needs->minutes($this->case->knots[$knot]);
            }
        }
        arsort($waiting);
        foreach (array_keys(array_filter($waiting)) as $knot) {
            $who = $this->ready($knot, $meeting);
            $takes = $this->case->lessonFor($knot, $who, $this->case->meetings[$meeting]->checkers, 'again');
            [$more, $host] = $this->beside($knot, $who, $meeting, $takes);
            if ($minutes + $more <= $room + self::EASE && Bits::size($who) >= $this->term->patience * $more) {
                $minutes += $more;
                $this->teach($knot, $who, $meeting, $host);
            }
        }

        return $minutes;
    }

    /** @return array{float, ?int} minutes more, and the lesson of this meeting it runs beside */
    private function beside(int $knot, string $who, int $meeting, float $alone): array
    {
        [$least, $host] = [$alone, null];
        $checkers = $this->case->meetings[$meeting]->checkers;
        $stations = [];
        foreach ($this->term->lessons[$meeting] as $number => [$other, $learners, $beside]) {
            if (in_array($other, $this->case->before[$knot], true) && ($learners & $who) !== $this->case->nobody) {
                return [$alone, null];
            }
            $stations[$beside ?? $number][] = [$other, $learners];
        }
        foreach ($checkers > 1 ? $stations : [] as $number => $group) {
            $taken = array_reduce($group, static fn (string $all, array $one): string => $all | $one[1], $this->case->nobody);
            if (count($group) >= $checkers || ($taken & $who) !== $this->case->nobody) {
                continue;
            }
            $more = $this->case->sideBySide([...$group, [$knot, $who]], $meeting) - $this->case->sideBySide($group, $meeting);
            if ($more < $least) {
                [$least, $host] = [$more, $number];
            }
        }

        return [$least, $host];
    }

    private function revisit(int $meeting, float $minutes, float $room): void
    {
        foreach ($this->term->again as $knot => $again) {
            if ($again === $this->case->nobody) {
                continue;
            }
            $who = $again & ~$this->term->lacking[$knot] & $this->case->present[$meeting] & $this->case->inTime[$knot][$meeting];
            foreach ($this->term->taught[$knot] as [$when, $taught]) {
                if ($when === $meeting) {
                    $who &= ~$taught;
                }
            }
            if ($who === $this->case->nobody) {
                continue;
            }
            $takes = $this->case->revisit($who, $meeting);
            if ($minutes + $takes <= $room + self::EASE) {
                $minutes += $takes;
                $this->term->revisits[$meeting][] = [$knot, $who];
                $this->term->tiedAgain[$knot][] = [$meeting, $who];
                $this->term->again[$knot] &= ~$who;
            }
        }
    }
}
