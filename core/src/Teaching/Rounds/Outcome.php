<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What a plan comes to.
 */
final readonly class Outcome
{
    public Score $score;

    /**
     * @param  list<Hour>  $hours  by meeting
     * @param  list<int>  $moved  promises moved, by meeting
     */
    public function __construct(private Course $course, public Standing $standing, public array $hours, array $moved)
    {
        $unmet = $completion = 0;
        foreach ($course->pursuits as $number => $pursuit) {
            $unmet += $pursuit->ask->missing($standing->met[$pursuit->learner], $pursuit->by);
            $completion += min($this->completedAt($number), count($course->meetings) + 1);
        }
        $this->score = new Score($unmet, $completion, round($this->forgotten(), 1), round(Hour::crowding($hours), 3), $moved);
    }

    /** The number of the meeting that completes a badge with those it comes after: 0 before them all, Ask::NEVER. */
    public function completedAt(int $pursuit): int
    {
        $one = $this->course->pursuits[$pursuit];
        $met = $this->standing->met[$one->learner];
        $at = $one->ask->completedAt($met);
        if ($at > $one->by) {
            return Ask::NEVER;
        }
        foreach ($one->after as $before) {
            $at = max($at, $this->course->pursuits[$before]->ask->completedAt($met));
        }

        return $at;
    }

    /** Knots, over learners, that a badge of theirs asks for and that are met, each as likely as it will be forgotten. */
    private function forgotten(): float
    {
        $sum = 0.0;
        foreach ($this->standing->remembered() as [$learner, $knot]) {
            $sum += 1 - $this->standing->chance($learner, $knot, $this->course->horizon);
        }

        return $sum;
    }
}
