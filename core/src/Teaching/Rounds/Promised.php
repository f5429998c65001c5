<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Which of the promises of the plan before count: those still needed, of those who are expected.
 */
final readonly class Promised
{
    /**
     * @param  array<string, int>  $people  numbers by id
     * @param  array<string, int>  $meetings
     */
    public function __construct(private Course $course, private array $people, private array $meetings)
    {
    }

    /**
     * @param  list<Promise>  $promises
     * @return list<array{learner: int, knot: int, isLesson: bool, meeting: int, promise: Promise}> by meeting, learner and knot
     */
    public function that(array $promises): array
    {
        $count = [];
        foreach ($promises as $promise) {
            [$learner, $knot, $meeting] = [$this->people[$promise->learner] ?? null, $this->course->knot($promise->knot), $this->meetings[$promise->meeting] ?? null];
            if ($learner === null || $knot === null || $meeting === null || ! $this->course->isHere[$meeting][$learner] || ! $this->isNeeded($promise, $learner, $knot)) {
                continue;
            }
            $count[] = ['learner' => $learner, 'knot' => $knot, 'isLesson' => $promise->isLesson, 'meeting' => $meeting, 'promise' => $promise];
        }
        usort($count, static fn (array $a, array $b): int => [$a['meeting'], $a['learner'], $a['knot']] <=> [$b['meeting'], $b['learner'], $b['knot']]);

        return $count;
    }

    private function isNeeded(Promise $promise, int $learner, int $knot): bool
    {
        $person = $this->course->learners[$learner];
        if ($promise->isLesson) {
            return isset($this->course->needs[$learner][$knot]) && ! $person->holds($promise->knot);
        }
        foreach ($this->course->pursuits as $pursuit) {
            foreach ($pursuit->learner === $learner ? $pursuit->ask->targets() : [] as $number) {
                $target = $this->course->targets[$number];
                if ($target->knot === $knot && $target->deed === Deed::Again && ! $target->isMetBy($person)) {
                    return true;
                }
            }
        }

        return false;
    }
}
