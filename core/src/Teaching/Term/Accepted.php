<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Found;
use Compadre\Core\Teaching\Rounds\Program;
use Compadre\Core\Teaching\Rounds\Promise;
use Compadre\Core\Teaching\Rounds\Replay;
use Compadre\Core\Teaching\Rounds\Standing;
use Compadre\Core\Teaching\Rounds\Station;

/**
 * A plan that was accepted, as parts to be written down, and read back into a course that may have changed since.
 */
final class Accepted
{
    /** @return array<string, list<PlanPart>> by meeting */
    public static function partsOf(Course $course, Found $found): array
    {
        $standing = new Standing($course);
        $replay = new Replay($course);
        $parts = [];
        foreach ($found->plan as $meeting => $program) {
            $each = [];
            foreach ($program->rounds as $round => $stations) {
                foreach ($stations as $station) {
                    $each[] = new PlanPart(PartKind::Lesson, $course->knots[$station->knot]->id, $course->ids($station->learners), $course->ids($station->helpers), $round, $station->checkers);
                }
            }
            foreach ($program->old as $knot) {
                $each[] = new PlanPart(PartKind::Old, $course->knots[$knot]->id, $course->ids($standing->having($knot, $meeting)));
            }
            foreach ($program->rigs as $rig) {
                $each[] = new PlanPart(PartKind::Rig, $course->rigs[$rig]->id);
            }
            $parts[$course->meetings[$meeting]->id] = $each;
            $replay->meeting($standing, $meeting, $program);
        }

        return $parts;
    }

    /**
     * @param  array<string, list<PlanPart>>  $parts  by meeting
     * @return list<Promise> what it told each learner
     */
    public static function promises(array $parts): array
    {
        $promises = [];
        foreach ($parts as $meeting => $each) {
            foreach ($each as $part) {
                foreach ($part->kind === PartKind::Rig ? [] : $part->learners as $learner) {
                    $promises[] = new Promise($learner, $part->what, $part->kind === PartKind::Lesson, (string) $meeting);
                }
            }
        }

        return $promises;
    }

    /**
     * Whoever, whatever and whichever meeting is no more is left out.
     *
     * @param  array<string, list<PlanPart>>  $parts  by meeting
     * @return array<int, Program> by number of the meeting
     */
    public static function programs(Course $course, array $parts): array
    {
        $numbers = [];
        foreach ($course->learners as $number => $learner) {
            $numbers[$learner->id] = $number;
        }
        $rigs = [];
        foreach ($course->rigs as $number => $rig) {
            $rigs[$rig->id] = $number;
        }
        $programs = [];
        foreach ($course->meetings as $meeting => $evening) {
            $rounds = $old = $raised = [];
            foreach ($parts[$evening->id] ?? [] as $part) {
                $knot = $part->kind === PartKind::Rig ? null : $course->knot($part->what);
                $learners = self::known($part->learners, $numbers);
                if ($part->kind === PartKind::Rig && isset($rigs[$part->what])) {
                    $raised[] = $rigs[$part->what];
                } elseif ($part->kind === PartKind::Old && $knot !== null) {
                    $old[] = $knot;
                } elseif ($knot !== null && $learners !== []) {
                    $rounds[$part->round][] = new Station($knot, $learners, max(1, min($part->checkers, $evening->checkers)), self::known($part->helpers, $numbers));
                }
            }
            ksort($rounds);
            $programs[$meeting] = new Program(array_values($rounds), array_values(array_unique($old)), array_values(array_unique($raised)));
        }

        return $programs;
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, int>  $numbers
     * @return list<int> in order
     */
    private static function known(array $ids, array $numbers): array
    {
        $known = array_values(array_filter(array_map(static fn (string $id): ?int => $numbers[$id] ?? null, array_unique($ids)), is_int(...)));
        sort($known);

        return $known;
    }
}
