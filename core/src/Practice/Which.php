<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\GoodFor;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Choosing\Job;
use Compadre\Core\Rigs\Choosing\Thing;

/**
 * Which knot does a job want? Of those that are offered one fits, and the others do not, each with its reason.
 */
final readonly class Which implements Asks
{
    private const OTHERS = 3;

    private const TASKS = [
        'join' => 'You join %s to %s.', 'loop' => 'You want a loop that stays the size it is, round %2$s.', 'hitch' => 'You tie a rope to %2$s.',
        'bind' => 'You tie a rope round %2$s, and it has to stay tight.', 'stop' => 'The end of a rope must not slip out of %2$s.',
        'adjust' => 'You tie a line to %2$s that you can tighten later.', 'lash' => 'You tie %2$s to another so that they stand.', 'shorten' => 'A rope is too long, or worn in one place, and must not be cut.',
    ];

    private const THINGS = ['rope' => 'another rope', 'tape' => 'another tape', 'pole' => 'a pole', 'ring' => 'a ring', 'chain' => 'a chain', 'eye' => 'a fixed eye', 'bundle' => 'a bundle'];

    private const LOADS = ['steady' => 'It is pulled steadily.', 'shaking' => 'It is shaken.', 'on_off' => 'The pull comes and goes.', 'none' => 'Nothing much pulls on it.'];

    private const UNDOING = ['after_load' => ' It has to come undone after the pull.', 'at_a_pull' => ' One pull has to let it go.', 'any' => ''];

    public function __construct(private Library $library, private Chooser $chooser)
    {
    }

    public function of(Sample $sample, Lot $lot): ?Task
    {
        $knot = $sample->knot;
        foreach ($lot->mixed(self::jobs($knot)) as $job) {
            if ($this->chooser->against($knot, $job) !== []) {
                continue;
            }
            [$tempting, $strange] = $this->others($knot, $job);
            $others = array_slice([...$lot->mixed($tempting), ...$lot->mixed($strange)], 0, self::OTHERS);
            if ($others === []) {
                continue;
            }
            $offered = $lot->mixed([['knot' => $knot->id, 'why' => ''], ...$others]);
            $why = array_map(fn (array $one): string => sprintf('Not %s: %s', Sample::called($this->library->knot($one['knot'])), lcfirst($one['why'])), array_filter($offered, static fn (array $one): bool => $one['knot'] !== $knot->id));

            return new Task(
                TaskKind::Which, self::sentence($job), array_map(static fn (array $one): array => ['knot' => $one['knot']], $offered),
                (int) array_search($knot->id, array_column($offered, 'knot'), true), implode(' ', [ucfirst(Sample::called($knot)).'.', ...$why]),
                ['job' => ['task' => $job->task, 'a' => ['kind' => $job->a->kind]] + ($job->b === null ? [] : ['b' => ['kind' => $job->b->kind]]) + ['load' => $job->load, 'undo' => $job->undo]],
            );
        }

        return null;
    }

    /** @return list<Job> all it might be asked for */
    private static function jobs(KnotPack $knot): array
    {
        $jobs = [];
        foreach ($knot->uses->goodFor as $use) {
            foreach (self::ends($use) as [$a, $b]) {
                foreach ($knot->uses->loads as $load) {
                    foreach (array_keys(self::UNDOING) as $undo) {
                        $jobs[] = new Job($use->task, new Thing($a), $b === null ? null : new Thing($b), $load, $undo);
                    }
                }
            }
        }

        return $jobs;
    }

    /** @return list<array{string, ?string}> */
    private static function ends(GoodFor $use): array
    {
        $kinds = $use->to === [] ? ['rope'] : $use->to;
        if ($use->task === 'join') {
            return array_map(static fn (string $kind): array => $kind === 'tape' ? ['tape', 'tape'] : ['rope', $kind], $kinds);
        }

        return array_map(static fn (string $kind): array => $kind === 'rope' || $kind === 'tape' ? [$kind, null] : ['rope', $kind], $kinds);
    }

    /**
     * Knots that do not fit, and why: those one may well think of, and those that are for other things.
     *
     * @return array{list<array{knot: string, why: string}>, list<array{knot: string, why: string}>}
     */
    private function others(KnotPack $knot, Job $job): array
    {
        $tempting = [];
        $strange = [];
        foreach ($this->library->all() as $other) {
            if ($other->id === $knot->id || ! $other->isTaught()) {
                continue;
            }
            $against = $this->chooser->against($other, $job);
            if ($against === null && $other->family !== $knot->family) {
                $strange[] = ['knot' => $other->id, 'why' => 'it is for something else.'];
            } elseif ($against !== null && $against !== []) {
                $tempting[] = ['knot' => $other->id, 'why' => implode(' ', $against)];
            }
        }

        return [$tempting, $strange];
    }

    private static function sentence(Job $job): string
    {
        $what = self::THINGS[$job->b->kind ?? $job->a->kind] ?? 'it';
        $task = sprintf(self::TASKS[$job->task], $job->a->kind === 'tape' ? 'a tape' : 'a rope', $what);

        return $task.' '.self::LOADS[$job->load].self::UNDOING[$job->undo].' Which knot?';
    }
}
