<?php

declare(strict_types=1);

namespace App\Crew;

use App\Check\CheckSheet;
use App\Models\Group;
use App\Models\GroupState;
use Generator;

/**
 * What a device keeps of the learners for a field without a network, in one answer: who is to be checked in each knot of the board, and
 * each learner's own pages.
 */
final readonly class CrewToKeep
{
    public function __construct(private CrewBoard $board, private CheckSheet $sheets, private LearnerPage $pages)
    {
    }

    /**
     * @param  ?string  $meeting  the meeting that checks are opened for
     * @return Generator<string, array<string, mixed>> each answer, as it is at its own address, by that address
     */
    public function of(Group $group, ?string $meeting): Generator
    {
        $state = GroupState::of($group);
        foreach ($this->board->columns($state) as $knot) {
            yield "/api/check/$knot".($meeting === null ? '' : "?meeting=$meeting") => $this->sheets->of($group, $knot, $meeting, null, $state);
        }
        foreach ($state->learners as $learner) {
            yield "/api/learners/$learner->id/check" => $this->sheets->openFor($group, $learner, $state);
            yield "/api/learners/$learner->id" => $this->pages->of($group, $learner, $state);
        }
    }
}
