<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\GoodFor;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Choosing\Job;
use Compadre\Core\Rigs\Choosing\Thing;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Within;

/**
 * Which knot does a job want? Of those that are offered one fits, and the others do not, each with its reason.
 */
final readonly class Which implements Asks
{
    private const OTHERS = 3;

    /** What is asked, by what the rope is tied to; what is not here would have more than one good answer, or none that is plain. */
    private const SENTENCES = [
        'join' => ['rope' => 'practice.join_rope', 'tape' => 'practice.join_tape'],
        'loop' => ['rope' => 'practice.loop_rope'] + self::ROUND,
        'hitch' => [
            'rope' => 'practice.hitch_rope', 'pole' => 'practice.hitch_pole', 'ring' => 'practice.hitch_ring',
            'chain' => 'practice.hitch_chain', 'eye' => 'practice.hitch_eye', 'bundle' => 'practice.hitch_bundle',
        ],
        'bind' => ['rope' => 'practice.bind_rope', 'pole' => 'practice.bind_pole', 'bundle' => 'practice.bind_bundle'],
        'stop' => ['rope' => 'practice.stop_rope', 'eye' => 'practice.stop_eye', 'ring' => 'practice.stop_ring'],
        'adjust' => [
            'rope' => 'practice.adjust_rope', 'pole' => 'practice.adjust_pole', 'ring' => 'practice.adjust_ring',
            'chain' => 'practice.adjust_chain', 'eye' => 'practice.adjust_eye', 'bundle' => 'practice.adjust_bundle',
        ],
        'lash' => ['pole' => 'practice.lash_pole', 'bundle' => 'practice.lash_bundle'],
        'shorten' => ['rope' => 'practice.shorten_rope'],
    ];

    private const ROUND = [
        'pole' => 'practice.loop_pole', 'ring' => 'practice.loop_ring', 'chain' => 'practice.loop_chain',
        'eye' => 'practice.loop_eye', 'bundle' => 'practice.loop_bundle',
    ];

    /** Tasks whose knots would do after a fashion, though no pack says so: they are not offered as wrong. */
    private const KIN = [
        'join' => ['loop', 'hitch'], 'loop' => [], 'hitch' => ['loop', 'adjust', 'bind', 'join'], 'bind' => ['hitch', 'lash', 'adjust'], 'stop' => ['loop', 'join'],
        'adjust' => [], 'lash' => ['bind', 'hitch'], 'shorten' => ['loop', 'stop', 'bind'],
    ];

    private const LOADS = ['steady' => 'practice.load_steady', 'shaking' => 'practice.load_shaking', 'on_off' => 'practice.load_on_off', 'none' => 'practice.load_none'];

    private const UNDOING = ['after_load' => 'practice.undo_after_load', 'at_a_pull' => 'practice.undo_at_a_pull', 'any' => null];

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
            $offered = $lot->mixed([['knot' => $knot->id, 'why' => Saying::just('')], ...$others]);
            $why = [];
            foreach ($offered as ['knot' => $other, 'why' => $against]) {
                if ($other !== $knot->id) {
                    $why[] = new Saying('practice.not_that', ['knot' => Sample::called($this->library->knot($other)), 'why' => new Within($against)]);
                }
            }

            return new Task(
                TaskKind::Which, self::question($job), array_map(static fn (array $one): array => ['knot' => $one['knot']], $offered),
                (int) array_search($knot->id, array_column($offered, 'knot'), true), Saying::sentences([new Saying('practice.which_is', ['knot' => new Within($knot->names[0])]), ...$why]),
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
     * @return array{list<array{knot: string, why: Saying}>, list<array{knot: string, why: Saying}>}
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
                $strange[] = ['knot' => $other->id, 'why' => new Saying('practice.for_else')];
            } elseif ($against !== null && $against !== []) {
                $tempting[] = ['knot' => $other->id, 'why' => Saying::sentences($against)];
            }
        }

        return [$tempting, $strange];
    }

    private static function question(Job $job): Saying
    {
        $about = ['job' => new Saying(self::SENTENCES[$job->task][$job->b->kind ?? $job->a->kind]), 'load' => new Saying(self::LOADS[$job->load])];
        $undoing = self::UNDOING[$job->undo];

        return $undoing === null ? new Saying('practice.which', $about) : new Saying('practice.which_undone', $about + ['undoing' => new Saying($undoing)]);
    }
}
