<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Words\Saying;

/**
 * Steps to be put in order. Two that could as well be done the other way round never stand beside each other in the right order.
 */
final class Order implements Asks
{
    private const STEPS = 4;

    public function of(Sample $sample, Lot $lot): ?Task
    {
        $chain = self::chain($sample);
        if (count($chain) < 2) {
            return null;
        }
        $steps = $lot->some($chain, min(self::STEPS, count($chain)));
        $offered = $steps;
        while ($offered === $steps) {
            $offered = $lot->mixed($steps);
        }
        $says = array_map(static fn (int $step): Saying => new Saying('practice.just_said', ['say' => rtrim($sample->say($step), '.')]), $steps);

        return new Task(
            TaskKind::Order, new Saying('practice.order', ['knot' => $sample->name()]),
            array_map(static fn (int $step): array => ['step' => $step], $offered),
            array_map(static fn (int $step): int => (int) array_search($step, $offered, true), $steps),
            Saying::joined('practice.then', $says),
        );
    }

    /**
     * The longest row of steps of which each needs the one before.
     *
     * @return list<int> from 1
     */
    private static function chain(Sample $sample): array
    {
        $states = StepStates::of($sample->method, $sample->diagram, $sample->knot->file);
        $best = [];
        foreach ($states as $number => $state) {
            if ($state->moved === []) {
                // It is drawn up, turned or dressed: its picture has no more rope in it.
                continue;
            }
            $row = [];
            foreach ($best as $before => $known) {
                if (count($known) > count($row) && self::needs($sample, $states, $before, $number)) {
                    $row = $known;
                }
            }
            $best[$number] = [...$row, $number + 1];
        }
        $longest = [];
        foreach ($best as $row) {
            $longest = count($row) > count($longest) ? $row : $longest;
        }

        return $longest;
    }

    /**
     * Whether a step cannot come before another: its rope goes on from where the other left it, or meets what the other laid.
     *
     * @param  list<StepState>  $states
     */
    private static function needs(Sample $sample, array $states, int $before, int $after): bool
    {
        if (array_intersect_key($states[$before]->moved, $states[$after]->moved) !== []) {
            return true;
        }
        foreach ($sample->diagram->crossings as $crossing) {
            $over = $sample->diagram->strands[$crossing->over]->id;
            $under = $sample->diagram->strands[$crossing->under]->id;
            if (self::lays($states[$before], $over, $crossing->overAt) && self::lays($states[$after], $under, $crossing->underAt)
                || self::lays($states[$before], $under, $crossing->underAt) && self::lays($states[$after], $over, $crossing->overAt)) {
                return true;
            }
        }

        return false;
    }

    private static function lays(StepState $state, string $strand, float $at): bool
    {
        [$from, $to] = $state->moved[$strand] ?? [INF, INF];
        [$farFrom, $farTo] = $state->far[$strand] ?? [-INF, -INF];

        return $at > $from && $at <= $to || $at < $farFrom && $at >= $farTo;
    }
}
