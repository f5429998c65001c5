<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

/**
 * What a change of plan comes to: knots and learners that move, needs lost or met, badges completed for more or fewer, sooner or later,
 * more or less still known at the end.
 */
final class Consequence
{
    /**
     * @param  array<string, int>  $place  number of each meeting, by id; one that is not among them comes after them all
     * @return array{moves: list<array{knot: string, from: ?string, to: ?string}>, lessons: int, unmet: array{before: int, after: int}, lost: list<UnmetNeed>, badges: list<array{badge: string, before: int, after: int, sooner: int, later: int}>, remembered: array{before: array{learned: int, known: int}, after: array{learned: int, known: int}}, crowded: array{before: float, after: float}}
     */
    public static function of(TermSheet $before, TermSheet $after, array $place): array
    {
        $moves = [];
        foreach ($after->shownIn as $knot => $meeting) {
            if (array_key_exists($knot, $before->shownIn) && $before->shownIn[$knot] !== $meeting) {
                $moves[] = ['knot' => (string) $knot, 'from' => $before->shownIn[$knot], 'to' => $meeting];
            }
        }

        return [
            'moves' => $moves, 'lessons' => self::lessonsMoved($before, $after),
            'unmet' => ['before' => $before->score->unmet, 'after' => $after->score->unmet],
            'lost' => self::lost($before, $after), 'badges' => self::badges($before, $after, $place),
            'remembered' => ['before' => $before->atLast->toArray(), 'after' => $after->atLast->toArray()],
            'crowded' => ['before' => round($before->score->crowding, 1), 'after' => round($after->score->crowding, 1)],
        ];
    }

    /** How many lessons of single learners are at another meeting, or gone. */
    private static function lessonsMoved(TermSheet $before, TermSheet $after): int
    {
        $lessons = static function (TermSheet $sheet): array {
            $at = [];
            foreach (Accepted::promises($sheet->parts) as $one) {
                if ($one->isLesson) {
                    $at["$one->learner $one->knot"] = $one->meeting;
                }
            }

            return $at;
        };

        return count(array_diff_assoc($lessons($before), $lessons($after)));
    }

    /** @return list<UnmetNeed> needs that were met before, for these learners */
    private static function lost(TermSheet $before, TermSheet $after): array
    {
        $known = [];
        foreach ($before->unmet as $need) {
            foreach ($need->learners as $learner) {
                $known[$need->leaf->key()][$learner] = true;
            }
        }
        $lost = [];
        foreach ($after->unmet as $need) {
            $learners = array_values(array_filter($need->learners, static fn (string $learner): bool => ! isset($known[$need->leaf->key()][$learner])));
            if ($learners !== []) {
                $lost[] = new UnmetNeed($need->leaf, $learners, $need->cause, $need->remedy);
            }
        }

        return $lost;
    }

    /**
     * @param  array<string, int>  $place
     * @return list<array{badge: string, before: int, after: int, sooner: int, later: int}> badges for which anything changes
     */
    private static function badges(TermSheet $before, TermSheet $after, array $place): array
    {
        $times = [];
        foreach (['before' => $before, 'after' => $after] as $which => $plan) {
            foreach ($plan->completes as $one) {
                $times[$one['badge']][$one['learner']][$which] = $one['meeting'] === null ? null : $place[$one['meeting']] ?? PHP_INT_MAX;
            }
        }
        $badges = [];
        foreach ($times as $badge => $learners) {
            $about = ['badge' => (string) $badge, 'before' => 0, 'after' => 0, 'sooner' => 0, 'later' => 0];
            foreach ($learners as $time) {
                [$was, $is] = [$time['before'] ?? null, $time['after'] ?? null];
                $about['before'] += $was === null ? 0 : 1;
                $about['after'] += $is === null ? 0 : 1;
                $about['sooner'] += $was !== null && $is !== null && $is < $was ? 1 : 0;
                $about['later'] += $was !== null && $is !== null && $is > $was ? 1 : 0;
            }
            if ($about['before'] !== $about['after'] || $about['sooner'] + $about['later'] > 0) {
                $badges[] = $about;
            }
        }

        return $badges;
    }
}
