<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Standing;

/**
 * Of the knots that learners have, each counted for each learner whose badges ask for it, how many are likely still in their hands on a day.
 */
final readonly class Remembered
{
    /** @param  float  $known  the sum of the chances */
    private function __construct(public int $learned, public float $known)
    {
    }

    public static function on(int $day, Standing $standing, Course $course): self
    {
        $learned = 0;
        $known = 0.0;
        foreach ($course->asked as $learner => $knots) {
            foreach (array_keys($knots) as $knot) {
                if ($standing->has($learner, $knot)) {
                    $learned++;
                    $known += $standing->chance($learner, $knot, $day);
                }
            }
        }

        return new self($learned, $known);
    }

    /** @return array{learned: int, known: int} */
    public function toArray(): array
    {
        return ['learned' => $this->learned, 'known' => (int) round($this->known)];
    }
}
