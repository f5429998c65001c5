<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Teaching\UnmetNeed;

/**
 * What a change of plan comes to: knots that move, needs lost or met, badges completed for more or fewer, sooner or later.
 */
final class Consequence
{
    /**
     * @param  array<string, int>  $place  number of each meeting, by id; one that is not among them comes after them all
     * @return array{moves: list<array{knot: string, from: ?string, to: ?string}>, unmet: array{before: int, after: int}, lost: list<UnmetNeed>, badges: list<array{badge: string, before: int, after: int, sooner: int, later: int}>, crowded: array{before: float, after: float}}
     */
    public static function of(CoursePlan $before, CoursePlan $after, array $place): array
    {
        $moves = [];
        foreach ($after->shownIn as $knot => $meeting) {
            if (array_key_exists($knot, $before->shownIn) && $before->shownIn[$knot] !== $meeting) {
                $moves[] = ['knot' => $knot, 'from' => $before->shownIn[$knot], 'to' => $meeting];
            }
        }

        return [
            'moves' => $moves, 'unmet' => ['before' => $before->objective->unmet, 'after' => $after->objective->unmet],
            'lost' => self::lost($before, $after), 'badges' => self::badges($before, $after, $place),
            'crowded' => ['before' => round(sqrt($before->objective->crowding), 1), 'after' => round(sqrt($after->objective->crowding), 1)],
        ];
    }

    /** @return list<UnmetNeed> needs that were met before, for these learners */
    private static function lost(CoursePlan $before, CoursePlan $after): array
    {
        $known = [];
        foreach ($before->unmet as $need) {
            foreach ($need->learners as $learner) {
                $known[$need->knot][$learner] = true;
            }
        }
        $lost = [];
        foreach ($after->unmet as $need) {
            $learners = array_values(array_filter($need->learners, static fn (string $learner): bool => ! isset($known[$need->knot][$learner])));
            if ($learners !== []) {
                $lost[] = new UnmetNeed($need->knot, $need->level, $learners, $need->reason, $need->remedy);
            }
        }

        return $lost;
    }

    /**
     * @param  array<string, int>  $place
     * @return list<array{badge: string, before: int, after: int, sooner: int, later: int}> badges for which anything changes
     */
    private static function badges(CoursePlan $before, CoursePlan $after, array $place): array
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
