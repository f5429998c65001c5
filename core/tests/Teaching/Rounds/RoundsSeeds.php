<?php

declare(strict_types=1);

/**
 * Seeded inputs of `plan` over the packs' own knots, with everything switched on: choices, second days, uses, helps, dates firm and
 * wished, absences, patrols, objects counted and not, bans, pins, levels and memories.
 */
final class RoundsSeeds
{
    private const KNOTS = ['overhand', 'bowline', 'half-hitch', 'clove-hitch', 'square-knot', 'slip-loop', 'figure-eight', 'timber-hitch', 'two-half-hitches', 'sheet-bend'];

    /** @return array<string, mixed> */
    public static function term(int $seed, int $learners, int $knots, int $meetings): array
    {
        mt_srand($seed);
        $use = self::KNOTS;
        shuffle($use);
        $use = array_slice($use, 0, $knots);
        $badges = [];
        foreach (range(0, mt_rand(0, 1)) as $number) {
            $badges[] = self::badge($number, $use, $meetings);
        }
        $term = [
            'now' => '2026-09-01', 'learners' => [], 'badges' => $badges,
            'meetings' => array_map(self::meeting(...), range(0, $meetings - 1)),
            'settings' => ['pace' => mt_rand(0, 1) === 0 ? 'soon' : 'keep'] + (mt_rand(0, 4) === 0 ? ['new_knots' => mt_rand(1, 2)] : []) + (mt_rand(0, 4) === 0 ? ['old_share' => 0.0] : []),
        ];
        foreach (range(0, $learners - 1) as $number) {
            $term['learners'][] = self::learner($number, $use, array_map(static fn (array $badge): string => $badge['pack']['id'], $badges), $meetings, $seed % 3 === 0);
        }
        $term += mt_rand(0, 2) === 0 ? ['rigs' => [['id' => 'frame', 'minutes' => mt_rand(4, 12), 'knots' => array_slice($use, 0, 2)]]] : [];
        $term += mt_rand(0, 4) === 0 ? ['bans' => [['what' => $use[0], 'meeting' => mt_rand(0, 1) === 0 ? 'm0' : null]]] : [];

        return $term + (mt_rand(0, 5) === 0 ? ['pins' => [['knot' => $use[1], 'meeting' => mt_rand(0, 1) === 0 ? 'm'.mt_rand(0, $meetings - 1) : null]]] : []);
    }

    /** @return array<string, mixed> the same in another order */
    public static function shuffled(array $term, int $seed): array
    {
        mt_srand($seed);
        foreach (['learners', 'badges', 'meetings', 'bans', 'pins', 'rigs'] as $name) {
            if (isset($term[$name])) {
                shuffle($term[$name]);
            }
        }

        return $term;
    }

    private static function day(int $week): string
    {
        return date('Y-m-d', strtotime('2026-09-04 UTC') + 7 * 86400 * $week);
    }

    private static function badge(int $number, array $use, int $meetings): array
    {
        $leaves = [];
        foreach ($use as $knot) {
            if (mt_rand(0, 2) > 0) {
                $leaves[] = ['knot' => $knot, 'level' => ['has_it', 'has_it', 'has_it', 'kept', 'kept', 'uses_it', 'teaches_it', 'seen'][mt_rand(0, 7)]];
            }
        }
        $leaves = $leaves === [] ? [['knot' => $use[0], 'level' => 'has_it']] : $leaves;
        $choose = count($leaves) > 1 && mt_rand(0, 2) === 0;

        return [
            'pack' => ['id' => "b$number", 'version' => 1, 'name' => "Badge $number", 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => $choose ? ['choose' => mt_rand(1, count($leaves) - 1), 'of' => $leaves] : ['all' => $leaves]]
                + ($number > 0 && mt_rand(0, 1) === 0 ? ['after' => ['b0']] : []),
        ] + (mt_rand(0, 3) === 0 ? ['due_on' => self::day(mt_rand(0, $meetings - 1)), 'firm' => mt_rand(0, 1) === 0] : []);
    }

    private static function meeting(int $number): array
    {
        return ['id' => "m$number", 'date' => self::day(mt_rand(0, 5) > 0 ? $number : max(0, $number - 1)), 'minutes' => mt_rand(15, 45), 'checkers' => mt_rand(1, 3)]
            + (mt_rand(0, 3) === 0 ? ['objects' => mt_rand(0, 1) === 0 ? ['pole'] : ['pole' => mt_rand(0, 2), 'ring' => 1]] : [])
            + (mt_rand(0, 3) === 0 ? ['opening' => mt_rand(0, 6)] : []);
    }

    private static function learner(int $number, array $use, array $badges, int $meetings, bool $patrols): array
    {
        $levels = $memories = [];
        foreach ($use as $knot) {
            if (mt_rand(0, 4) === 0) {
                $levels[$knot] = ['seen', 'with_help', 'has_it', 'has_it', 'kept'][mt_rand(0, 4)];
                if (in_array($levels[$knot], ['has_it', 'kept'], true) && mt_rand(0, 1) === 0) {
                    $memories[$knot] = ['half_life_days' => mt_rand(3, 20), 'last_day' => '2026-08-'.mt_rand(10, 31)];
                }
            }
        }

        return ['id' => "l$number", 'band' => ['5-7', '8-10', '11-13', '14+'][mt_rand(0, 3)], 'badges' => mt_rand(0, 3) > 0 ? [$badges[0]] : $badges]
            + ($levels === [] ? [] : ['levels' => $levels]) + ($memories === [] ? [] : ['memories' => $memories])
            + (mt_rand(0, 3) === 0 ? ['away' => ['m'.mt_rand(0, $meetings - 1)]] : [])
            + ($patrols && mt_rand(0, 2) > 0 ? ['patrol' => ['Otter', 'Heron'][mt_rand(0, 1)]] : []);
    }
}
