<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;

/**
 * Every error of the five kinds that can be made in a method.
 */
final class Slips
{
    /** How many of the last steps belong to the last tuck when it is made the other way. */
    private const LAST = 3;

    /** @var list<Slip> */
    private array $found = [];

    /** @var array<string, true> sets of crossings flipped already, by kind of error */
    private array $flipped = [];

    private function __construct(private readonly GaussCode $code, private readonly TyingOrder $order)
    {
    }

    /** @return list<Slip> */
    public static function of(GaussCode $code, TyingOrder $order): array
    {
        $slips = new self($code, $order);
        $slips->secondHalf();
        $slips->lastTuck();
        $slips->wraps();
        $slips->ends();
        $slips->flips();

        return $slips->found;
    }

    private function flips(): void
    {
        foreach (array_keys($this->order->stepOf) as $crossing) {
            $this->flip(SlipKind::Flip, [$crossing], $crossing, $this->order->stepOf[$crossing], [$crossing]);
        }
    }

    private function secondHalf(): void
    {
        $from = $this->order->secondHalf;
        if ($from === null) {
            return;
        }
        $half = $this->order->since($from);
        $this->flip(SlipKind::SecondHalf, [], null, $from, $half);
        foreach ($this->ropes() as $rope) {
            if (count($this->ropes()) > 1) {
                $this->found[] = new Slip(SlipKind::SecondHalfEnds, [$rope], null, $from, $this->code->flipped($half)->exchanged([$rope]), $half, [$rope]);
            }
        }
    }

    private function lastTuck(): void
    {
        $last = $this->order->steps;
        $made = $this->order->since($last);
        if (count($made) > 1) {
            $this->flip(SlipKind::LastTuck, [], null, $last, $made);
        }
        foreach ($this->ropes() as $rope) {
            $this->wrongStrand($rope);
            $this->otherWayRound($rope);
        }
    }

    /** Round the neighbour of the strand it should go round: under and over change places at two crossings in a row. */
    private function wrongStrand(int $rope): void
    {
        $late = $this->order->since($this->order->steps - self::LAST + 1);
        $visits = $this->code->strands[$rope]->visits;
        for ($place = 1; $place < count($visits); $place++) {
            [$first, $over] = $visits[$place - 1];
            [$second, $then] = $visits[$place];
            if ($first !== $second && $over !== $then && in_array($first, $late, true) && in_array($second, $late, true) && $this->isLater($rope, $place - 1) && $this->isLater($rope, $place)) {
                $this->flip(SlipKind::LastTuckStrand, [$first, $second], $first, $this->order->stepOf[$first], [$first, $second]);
            }
        }
    }

    private function otherWayRound(int $rope): void
    {
        $visits = $this->code->strands[$rope]->visits;
        $count = count($visits);
        for ($step = $this->order->steps; $step > $this->order->steps - self::LAST && $step > 0; $step--) {
            $from = $count;
            // What holds a bight open is crossed along with the rope about it.
            while ($from > 0 && $this->isLater($rope, $from - 1) && ($this->order->stepOf[$visits[$from - 1][0]] ?? $step) >= $step) {
                $from--;
            }
            if ($count - $from < 2) {
                continue;
            }
            $code = Retied::otherWayRound($this->code, $rope, $from);
            if ($code->isPlanar()) {
                $this->found[] = new Slip(SlipKind::LastTuckRound, [$rope, $step], null, $step, $code);
            }
        }
    }

    private function wraps(): void
    {
        foreach (Bigons::of($this->code) as $bigon) {
            if (! isset($this->order->stepOf[$bigon->first], $this->order->stepOf[$bigon->second])) {
                continue;
            }
            $step = max($this->order->stepOf[$bigon->first], $this->order->stepOf[$bigon->second]);
            $add = function (SlipKind $kind, GaussCode $code) use ($bigon, $step): void {
                $this->found[] = new Slip($kind, [$bigon->first, $bigon->second], $bigon->second, $step, $code);
            };
            if ($bigon->isThereAndBack()) {
                $add(SlipKind::HalfWrapMissed, Retied::halfTurnLess($this->code, $bigon));
                $add(SlipKind::HalfWrapAdded, Retied::halfTurnMore($this->code, $bigon));
            }
            $add(SlipKind::WrapMissed, Retied::turnLess($this->code, $bigon));
            $add(SlipKind::WrapAdded, Retied::turnMore($this->code, $bigon));
        }
    }

    private function ends(): void
    {
        $ropes = $this->ropes();
        $sets = array_map(static fn (int $rope): array => [$rope], $ropes);
        if (count($ropes) > 1) {
            $sets[] = $ropes;
        }
        foreach ($sets as $set) {
            $this->found[] = new Slip(SlipKind::EndsExchanged, $set, null, 1, $this->code->exchanged($set), [], $set);
        }
    }

    /**
     * @param  list<int>  $at
     * @param  list<int>  $crossings
     */
    private function flip(SlipKind $kind, array $at, ?int $crossing, int $step, array $crossings): void
    {
        // Two strands that follow each other are met from both: it is one error.
        $known = $kind->error()->value.' '.implode(',', self::sorted($crossings));
        if (isset($this->flipped[$known])) {
            return;
        }
        $this->flipped[$known] = true;
        $this->found[] = new Slip($kind, $at, $crossing, max(1, $step), $this->code->flipped($crossings), $crossings);
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private static function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }

    /** Whether the rope comes by last at that place, so that it is what makes the crossing. */
    private function isLater(int $rope, int $place): bool
    {
        foreach ($this->code->strands[$rope]->visits as $other => [$crossing]) {
            if ($other > $place && $crossing === $this->code->strands[$rope]->visits[$place][0]) {
                return false;
            }
        }

        return true;
    }

    /** @return list<int> */
    private function ropes(): array
    {
        return array_keys(array_filter($this->code->strands, static fn (GaussStrand $strand): bool => $strand->isRope));
    }
}
