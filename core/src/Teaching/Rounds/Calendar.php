<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\Memory;
use Compadre\Core\Teaching\PlanLearner;

/**
 * When the meetings are, how much time they have, and who is expected.
 */
final class Calendar
{
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

    /**
     * @param  list<PlanLearner>  $learners
     * @param  list<Evening>  $meetings  by date
     */
    public function __construct(array $learners, array $meetings)
    {
        foreach ($meetings as $meeting) {
            $this->day[] = Memory::dayNumber($meeting->date);
            $this->room[] = $meeting->room();
            $here = array_map(static fn (PlanLearner $learner): bool => ! in_array($meeting->id, $learner->away, true), $learners);
            $this->isHere[] = $here;
            $this->present[] = array_keys(array_filter($here));
        }
        $next = array_fill(0, count($learners), -1);
        foreach (array_reverse($this->isHere, true) as $number => $here) {
            array_unshift($this->next, $next);
            foreach (array_keys(array_filter($here)) as $learner) {
                $next[$learner] = $number;
            }
        }
    }
}
