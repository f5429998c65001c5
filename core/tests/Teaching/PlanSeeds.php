<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Evening;

/**
 * Seeded planning cases over a made-up library of as many knots as are wanted, with prerequisites, dates and absences.
 */
final class PlanSeeds
{
    /** A library of sixty knots, each an overhand in another name, with its own minutes and prerequisites. */
    public static function library(): Library
    {
        static $library = null;
        if ($library instanceof Library) {
            return $library;
        }
        $folder = sys_get_temp_dir().'/compadre-sixty-'.getmypid();
        is_dir("$folder/knots") || mkdir("$folder/knots", recursive: true);
        $overhand = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/packs/knots/overhand.json'), true);
        mt_srand(5);
        foreach (range(0, 59) as $number) {
            $before = $number > 3 && mt_rand(0, 2) > 0 ? [sprintf('k%02d', mt_rand(0, $number - 1))] : [];
            $knot = ['id' => sprintf('k%02d', $number), 'minutes' => mt_rand(2, 9), 'prerequisites' => $before] + $overhand;
            file_put_contents("$folder/knots/{$knot['id']}.json", json_encode($knot));
        }

        return $library = Library::at($folder);
    }

    /**
     * @param  list<int>  $minutes  of a meeting, one of these
     * @return array{list<PlanLearner>, array<string, BadgePack>, array<string, ?string>, list<Evening>} learners, badges, their dates and meetings
     */
    public static function parts(int $seed, int $knots, int $learners, int $meetings, array $minutes): array
    {
        self::library();
        mt_srand($seed);
        $use = self::knots($knots);
        $start = new DateTimeImmutable('2026-11-03');
        [$badges, $dates] = [[], []];
        foreach (range(0, mt_rand(0, 2)) as $number) {
            $leaves = [];
            foreach ($use as $knot) {
                if ($number === 0 || mt_rand(0, 2) === 0) {
                    $leaves[] = ['knot' => $knot, 'level' => mt_rand(0, 2) === 0 ? 'kept' : 'has_it'];
                }
            }
            $badges["b$number"] = BadgePack::from(Fields::of(['id' => "b$number", 'version' => 1, 'name' => "Badge $number", 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => $leaves === [] ? [['knot' => $use[0]]] : $leaves]]));
            $dates["b$number"] = mt_rand(0, 2) > 0 ? null : $start->modify('+'.mt_rand(intdiv(2 * $meetings, 3), $meetings - 1).' weeks')->format('Y-m-d');
        }
        $term = array_map(static fn (int $number): Evening => new Evening("m$number", $start->modify("+$number weeks")->format('Y-m-d'), $minutes[mt_rand(0, count($minutes) - 1)], mt_rand(2, 4)), range(0, $meetings - 1));
        $band = mt_rand(1, 2);
        $crew = [];
        foreach (range(1, $learners) as $number) {
            $levels = [];
            foreach ($use as $knot) {
                if (mt_rand(0, 9) < 2) {
                    $levels[$knot] = mt_rand(0, 1) === 0 ? Level::Seen : Level::HasIt;
                }
            }
            $away = array_values(array_map(static fn (Evening $meeting): string => $meeting->id, array_filter($term, static fn (): bool => mt_rand(0, 9) === 0)));
            $crew[] = new PlanLearner("l$number", AgeBand::cases()[$band + (mt_rand(0, 3) === 0 ? 1 : 0)], $levels, [], array_slice(array_keys($badges), 0, mt_rand(1, count($badges))), $away);
        }

        return [$crew, $badges, $dates, $term];
    }

    /** @return list<string> so many, each with all that comes before it */
    private static function knots(int $many): array
    {
        $all = self::library()->ids();
        for ($place = count($all) - 1; $place > 0; $place--) {
            $other = mt_rand(0, $place);
            [$all[$place], $all[$other]] = [$all[$other], $all[$place]];
        }
        $use = [];
        foreach ($all as $knot) {
            $chain = [];
            for ($next = [$knot]; $next !== []; $next = array_merge(...array_map(static fn (string $one): array => self::library()->knot($one)->prerequisites, $next))) {
                array_unshift($chain, ...$next);
            }
            $with = array_values(array_unique([...$use, ...$chain]));
            $use = count($with) <= $many ? $with : $use;
        }

        return $use;
    }
}
