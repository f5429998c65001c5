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

    /** What is asked, by what the rope is tied to; what is not here would have more than one good answer, or none that is plain. */
    private const SENTENCES = [
        'join' => ['rope' => 'You join two ropes into one long one.', 'tape' => 'You join two ends of tape.'],
        'loop' => ['rope' => 'You want a loop that keeps its size.'] + self::ROUND,
        'hitch' => [
            'rope' => 'You tie a rope to the middle of another one, so that it holds its place.', 'pole' => 'You tie a rope to a pole.', 'ring' => 'You tie a rope to a ring.',
            'chain' => 'You tie a rope to a chain.', 'eye' => 'You tie a rope to a fixed eye.', 'bundle' => 'You tie a rope to a bundle.',
        ],
        'bind' => ['rope' => 'You tie both ends of one rope round something soft, and it has to stay tight.', 'pole' => 'You tie a rope round a pole, and it has to stay tight.', 'bundle' => 'You tie a rope round a bundle, and it has to stay tight.'],
        'stop' => ['rope' => 'The end of a rope must not slip out through a hole.', 'eye' => 'The end of a rope must not slip out through a fixed eye.', 'ring' => 'The end of a rope must not slip out through a ring.'],
        'adjust' => [
            'rope' => 'You tie a line to another rope, and want to tighten it later.', 'pole' => 'You tie a line to a pole, and want to tighten it later.', 'ring' => 'You tie a line to a ring, and want to tighten it later.',
            'chain' => 'You tie a line to a chain, and want to tighten it later.', 'eye' => 'You tie a line to a fixed eye, and want to tighten it later.', 'bundle' => 'You tie a line to a bundle, and want to tighten it later.',
        ],
        'lash' => ['pole' => 'You tie poles to each other, and they have to hold.', 'bundle' => 'You tie poles into a bundle that holds together.'],
        'shorten' => ['rope' => 'A rope is too long, or worn in one place, and must not be cut.'],
    ];

    private const ROUND = [
        'pole' => 'You want a loop round a pole that keeps its size.', 'ring' => 'You want a loop through a ring that keeps its size.', 'chain' => 'You want a loop through a chain that keeps its size.',
        'eye' => 'You want a loop through a fixed eye that keeps its size.', 'bundle' => 'You want a loop round a bundle that keeps its size.',
    ];

    /** Tasks whose knots would do after a fashion, though no pack says so: they are not offered as wrong. */
    private const KIN = [
        'join' => ['loop', 'hitch'], 'loop' => [], 'hitch' => ['loop', 'adjust', 'bind', 'join'], 'bind' => ['hitch', 'lash', 'adjust'], 'stop' => ['loop', 'join'],
        'adjust' => [], 'lash' => ['bind', 'hitch'], 'shorten' => ['loop', 'stop', 'bind'],
    ];

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
                    // Where nothing pulls there is no after.
                    foreach ($load === 'none' ? ['any', 'at_a_pull'] : array_keys(self::UNDOING) as $undo) {
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
        $kinds = array_values(array_intersect($use->to === [] ? ['rope'] : $use->to, array_keys(self::SENTENCES[$use->task])));
        if ($use->task === 'join') {
            return array_map(static fn (string $kind): array => [$kind, $kind], $kinds);
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
            if ($against === null && $other->family !== $knot->family && array_intersect([$job->task, ...self::KIN[$job->task]], array_map(static fn (GoodFor $use): string => $use->task, $other->uses->goodFor)) === []) {
                $strange[] = ['knot' => $other->id, 'why' => 'made for something else.'];
            } elseif ($against !== null && $against !== []) {
                $tempting[] = ['knot' => $other->id, 'why' => implode(' ', $against)];
            }
        }

        return [$tempting, $strange];
    }

    private static function sentence(Job $job): string
    {
        return self::SENTENCES[$job->task][$job->b->kind ?? $job->a->kind].' '.self::LOADS[$job->load].self::UNDOING[$job->undo].' Which knot?';
    }
}
