<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Refusal;

/**
 * Leaders' pins by number.
 */
final class LeadersWord
{
    /** @var array<int, array<int, true>> by learner and knot: never shown */
    public array $never = [];

    /** @var array<int, array<int, int>> by learner and knot: the meeting it is pinned to, none before it */
    public array $pinned = [];

    /** @var list<array{knot: int, meeting: int, learners: ?list<int>, pin: Pin}> those to a meeting */
    public array $pins = [];

    /**
     * @param  array<string, int>  $people  numbers by id
     * @param  array<string, int>  $knots
     * @param  array<string, int>  $meetings
     */
    public function __construct(Wishes $wishes, array $people, array $knots, array $meetings)
    {
        foreach ($wishes->pins as $place => $pin) {
            $knot = $knots[$pin->knot] ?? throw Refusal::of("/pins/$place/knot", $pin->knot, 'teaching.taught');
            $learners = null;
            foreach ($pin->learners ?? [] as $index => $id) {
                $learners[] = $people[$id] ?? throw Refusal::of("/pins/$place/learners/$index", $id, 'teaching.learner');
            }
            $whose = $learners ?? array_values($people);
            if ($pin->meeting === null) {
                foreach ($whose as $learner) {
                    $this->never[$learner][$knot] = true;
                }

                continue;
            }
            $meeting = $meetings[$pin->meeting] ?? throw Refusal::of("/pins/$place/meeting", $pin->meeting, 'teaching.pin_meeting');
            foreach ($whose as $learner) {
                $this->pinned[$learner][$knot] = max($meeting, $this->pinned[$learner][$knot] ?? 0);
            }
            $this->pins[] = ['knot' => $knot, 'meeting' => $meeting, 'learners' => $learners, 'pin' => $pin];
        }
    }
}
