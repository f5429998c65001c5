<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Choosing;

use Compadre\Core\Knots\GoodFor;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Uses;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\Functions;
use Compadre\Core\Rigs\Formula\Language;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Words\Saying;

/**
 * Which knot for this? Every rule of it is data of the knots: what each is good for and bad for, where it holds, how it comes undone.
 * Here they are only held against the job. Who ties it has a say: what they have counts for a knot, what they would have to learn
 * first and long lessons for the young count against it.
 */
final readonly class Chooser
{
    private const ANSWERS = 3;

    private const LEFT_OUT = 6;

    /** In ranks: a knot they have, a knot to be learned first, and a minute of its lesson for the youngest and the next. */
    private const HAS = 1.5;

    private const TO_LEARN = 0.5;

    private const MINUTE = ['5-7' => 0.3, '8-10' => 0.15];

    /** What a formula of turns is reckoned with where a diameter is not known, in mm. */
    private const USUAL = 6.0;

    private Language $language;

    public function __construct(private Library $library, private TailRule $tails, private Friction $friction)
    {
        $this->language = new Language(new Functions($library));
    }

    /** @throws Refusal where nothing is tied to such things for such a task */
    public function choose(Job $job): Choice
    {
        $candidates = [];
        $leftOut = [];
        foreach ($this->library->all() as $knot) {
            if (! $knot->isTaught()) {
                continue;
            }
            $bad = $this->badAt($knot->uses, $job);
            if ($bad !== null) {
                $leftOut[] = ['knot' => $knot->id, 'reason' => $bad, 'weight' => 10.0];

                continue;
            }
            $best = $this->best($knot, $job);
            if ($best !== null) {
                $candidates[] = $best;
            }
        }
        if ($candidates === []) {
            throw $this->nothing($job);
        }
        usort($candidates, static fn (Candidate $a, Candidate $b): int => [count($a->faults), -$a->weight, $a->knot->id] <=> [count($b->faults), -$b->weight, $b->knot->id]);
        $fits = array_slice(array_filter($candidates, static fn (Candidate $one): bool => $one->faults === []), 0, self::ANSWERS);
        $taken = $fits === [] ? [$candidates[0]] : $fits;
        foreach ($candidates as $candidate) {
            if ($candidate->faults !== [] && ! in_array($candidate, $taken, true)) {
                $leftOut[] = ['knot' => $candidate->knot->id, 'reason' => Saying::sentences($candidate->faults), 'weight' => $candidate->weight];
            }
        }
        usort($leftOut, static fn (array $a, array $b): int => [-$a['weight'], $a['knot']] <=> [-$b['weight'], $b['knot']]);

        return new Choice(
            array_map(fn (Candidate $one): array => $this->answer($one, $job), $taken),
            array_map(static fn (array $one): array => ['knot' => $one['knot'], 'reason' => $one['reason']], array_slice($leftOut, 0, self::LEFT_OUT)),
        );
    }

    /**
     * What speaks against a knot for a job.
     *
     * @return ?list<Saying> nothing where it fits; null where it is not for that at all
     */
    public function against(KnotPack $knot, Job $job): ?array
    {
        $bad = $this->badAt($knot->uses, $job);

        return $bad !== null ? [$bad] : $this->best($knot, $job)?->faults;
    }

    private function badAt(Uses $uses, Job $job): ?Saying
    {
        foreach ($uses->badFor as $bad) {
            if ($bad['task'] === $job->task && ($bad['to'] === [] || array_intersect($job->things(), $bad['to']) !== [])) {
                return Saying::just($bad['why']);
            }
        }

        return null;
    }

    /** The way of using a knot that suits the job best; null where it is not for that at all. */
    private function best(KnotPack $knot, Job $job): ?Candidate
    {
        $best = null;
        foreach ($knot->uses->goodFor as $use) {
            if ($use->task !== $job->task || ($use->to !== [] && array_diff($job->things(), $use->to) !== [])) {
                continue;
            }
            $candidate = new Candidate($knot, $use, $use->rank + $this->suits($knot, $job), $this->faults($knot, $use, $job));
            if ($best === null || [count($candidate->faults), -$candidate->weight] < [count($best->faults), -$best->weight]) {
                $best = $candidate;
            }
        }

        return $best;
    }

    /** @return list<Saying> */
    private function faults(KnotPack $knot, GoodFor $use, Job $job): array
    {
        $uses = $knot->uses;
        $faults = [];
        if (! in_array($job->load, $uses->loads, true)) {
            $faults[] = Saying::just($uses->whyNot['load']);
        }
        if ($uses->ratio !== null && $job->ratio() > $uses->ratio + 1e-9) {
            $faults[] = Saying::just($uses->whyNot['ratio']);
        }
        if (! $uses->inSlippery && ! $use->inSlippery && $this->isSlippery($job)) {
            $faults[] = Saying::just($uses->whyNot['slippery']);
        }
        if ($job->undo === 'after_load' && ! $uses->undoesAfterLoad && ! $use->atAPull || $job->undo === 'at_a_pull' && ! $uses->undoesAtAPull && ! $use->atAPull) {
            $faults[] = Saying::just($uses->undoing);
        }

        return $faults;
    }

    private function isSlippery(Job $job): bool
    {
        foreach ($job->ropes() as $rope) {
            if ($this->friction->slips($rope->material ?? Material::USUAL, $job->wet)) {
                return true;
            }
        }

        return false;
    }

    /** What speaks for and against a knot by who ties it, in ranks. */
    private function suits(KnotPack $knot, Job $job): float
    {
        $has = $job->has;
        $learned = $has === null ? 0.0 : (in_array($knot->id, $has, true) ? self::HAS : -self::TO_LEARN * count(array_diff($knot->prerequisites, $has)));

        return $learned - (self::MINUTE[$job->ageBand ?? ''] ?? 0.0) * $knot->minutes;
    }

    private function turns(GoodFor $use, Job $job): ?float
    {
        if ($use->turns === '') {
            return null;
        }
        $ropes = $job->ropes();
        $tying = $ropes[0]->diameter ?? self::USUAL;
        $held = $ropes[1]->diameter ?? $tying;
        $rope = new RopeAtWork(RopeInHand::of($tying, $ropes[0]->material ?? Material::USUAL, $job->wet), $this->library, $this->tails, $this->friction, static fn (): ?float => null);

        return $this->language->read($use->turns, ['d' => Unit::of('mm'), 'held' => Unit::of('mm')], '/good_for/turns', Unit::of('count'))
            ->number(['d' => $tying, 'held' => $held], $rope);
    }

    /** @return array{knot: string, method: ?string, turns: ?float, reason: Saying} */
    private function answer(Candidate $taken, Job $job): array
    {
        $turns = $this->turns($taken->use, $job);

        return ['knot' => $taken->knot->id, 'method' => $taken->use->method, 'turns' => $turns, 'reason' => self::reason($taken, $job, $turns)];
    }

    private static function reason(Candidate $taken, Job $job, ?float $turns): Saying
    {
        $said = [Saying::just($taken->use->why)];
        if ($turns !== null) {
            $said[] = new Saying('rigs.turns_here', ['turns' => round($turns, 1)]);
        }
        if (in_array($taken->knot->id, $job->has ?? [], true)) {
            $said[] = new Saying('rigs.has_it');
        }
        $reason = Saying::sentences($said);

        return $taken->faults === [] ? $reason : new Saying('rigs.nothing_fits', ['reason' => $reason, 'faults' => Saying::sentences($taken->faults)]);
    }

    private function nothing(Job $job): Refusal
    {
        $kinds = [];
        foreach ($this->library->all() as $knot) {
            foreach ($knot->isTaught() ? $knot->uses->goodFor : [] as $use) {
                $kinds = $use->task === $job->task ? [...$kinds, ...$use->to] : $kinds;
            }
        }
        $kinds = array_values(array_unique($kinds));
        sort($kinds);
        [$field, $kind] = $job->b !== null && ! in_array($job->b->kind, $kinds, true) ? ['/b/kind', $job->b->kind] : ['/a/kind', $job->a->kind];

        return Refusal::of($field, $kind, 'rigs.task_kind', ['task' => $job->task, 'list' => $kinds]);
    }
}
