<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StepStates;

/**
 * In which step of a method each crossing is made.
 */
final readonly class TyingOrder
{
    /**
     * @param  array<int, int>  $stepOf step by crossing, from 1; 0 for what lies there before the first step
     * @param  int  $steps how many steps lay rope
     * @param  array<int, ?bool>  $overIsLater by crossing: whether it is made by the strand on top coming to the other, or by that below; null where both are laid at once
     */
    private function __construct(public array $stepOf, public int $steps, public ?int $secondHalf, public array $overIsLater)
    {
    }

    public static function of(Method $method, Diagram $diagram, string $file = ''): self
    {
        $states = StepStates::of($method, $diagram, $file);
        $laid = static function (int $strand, float $at) use ($diagram, $states): int {
            $id = $diagram->strands[$strand]->id;
            if (! $diagram->strands[$strand]->kind->isRope()) {
                return $diagram->strands[$strand]->appears > 1 ? $diagram->strands[$strand]->appears : 0;
            }
            foreach ($states as $number => $state) {
                $from = $state->moved[$id][0] ?? $state->reach[$id];
                [$farFrom, $far] = $state->far[$id] ?? [INF, INF];
                if ($at <= $from || $at >= $farFrom) {
                    return $number;
                }
                if ($at <= $state->reach[$id] || $at >= $far) {
                    return $number + 1;
                }
            }

            return count($states);
        };
        $stepOf = [];
        $overIsLater = [];
        foreach ($diagram->crossings as $number => $crossing) {
            $over = $laid($crossing->over, $crossing->overAt);
            $under = $laid($crossing->under, $crossing->underAt);
            $stepOf[$number] = max($over, $under);
            // One rope comes to itself with its end; of one that is laid doubled both sides travel.
            $isOneEnd = $crossing->over === $crossing->under && $diagram->strands[$crossing->over]->bight === null;
            $overIsLater[$number] = match (true) {
                $over !== $under => $over > $under,
                $isOneEnd => $crossing->overAt > $crossing->underAt,
                default => null,
            };
        }

        return new self($stepOf, $stepOf === [] ? 0 : max($stepOf), $method->secondHalf, $overIsLater);
    }

    /** @return list<int> the crossings made in a step or later */
    public function since(int $step): array
    {
        return array_keys(array_filter($this->stepOf, static fn (int $one): bool => $one >= $step));
    }
}
