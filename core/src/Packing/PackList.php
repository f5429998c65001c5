<?php

declare(strict_types=1);

namespace Compadre\Core\Packing;

use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\StrandPlan;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Saying;

/**
 * What rope a meeting wants: a practice piece for each learner, as long as the longest knot of the day with its tails and
 * 300 mm to hold, rounded up to 100 mm; a second, in another colour, where two ropes are joined; a lashing rope for each pair.
 * And what there has to be to tie to, one for each pair.
 */
final readonly class PackList
{
    private const HOLD = 300;

    private const ROUND = 100;

    /** A free loop to practise with, in mm round the inside. */
    private const LOOP = 500.0;

    /** Poles to practise lashings on, in mm. */
    private const POLE = 40.0;

    /**
     * @param  list<array{length: int, count: int, for: string, knot: string, colours: int, reason: Saying}>  $pieces  for: each, pair
     * @param  list<array{kind: string, count: int, knots: list<string>}>  $objects
     */
    private function __construct(public array $pieces, public array $objects)
    {
    }

    /**
     * @param  list<KnotPack>  $knots  of the day
     * @param  int  $learners  expected, 0 or more
     * @param  array<string, Calibration>  $own  what the group has measured, by knot
     */
    public static function of(array $knots, int $learners, RopeInHand $rope, TailRule $tails, TailSchool $school, bool $backup, array $own = []): self
    {
        $pairs = intdiv($learners + 1, 2);
        $longest = null;
        $ropes = 1;
        $pieces = $objects = [];
        foreach ($knots as $knot) {
            $strands = $knot->methods[0]->strands;
            foreach (array_count_values(array_map(static fn (StrandPlan $strand): string => $strand->kind->value, array_filter($strands, static fn (StrandPlan $strand): bool => ! $strand->kind->isRope()))) as $kind => $needed) {
                $objects[$kind]['count'] = max($objects[$kind]['count'] ?? 0, $needed * $pairs);
                $objects[$kind]['knots'][] = $knot->id;
            }
            if ($knot->tailClass === TailClass::Tape) {
                continue;
            }
            $tail = $tails->required($knot->tailClass, $rope, $school, $backup);
            if ($knot->lashing !== null) {
                $needs = Lashing::of($knot->lashing, array_fill(0, $knot->lashing->poles(), self::POLE), $rope->diameter)->advised();
                $pieces[] = ['length' => self::rounded($needs), 'count' => $pairs, 'for' => 'pair', 'knot' => $knot->id, 'colours' => 1, 'reason' => new Saying('rope.piece_poles', ['pole' => self::POLE])];

                continue;
            }
            $many = max(1, count(array_filter($strands, static fn (StrandPlan $strand): bool => $strand->kind->isRope())));
            $use = RopeUse::of($knot, $rope, $tail, RopeUse::turnsOf($knot->methods[0], self::POLE), $knot->family === Family::Loop ? self::LOOP : null, own: $own[$knot->id] ?? null);
            $needs = $use->used / $many + $tail->millimetres + self::HOLD;
            $ropes = max($ropes, min(2, $many));
            if ($longest === null || $needs > $longest[0]) {
                $longest = [$needs, $knot, $use->used / $many, $tail->millimetres];
            }
        }
        if ($longest !== null) {
            [$needs, $knot, $used, $tail] = $longest;
            array_unshift($pieces, [
                'length' => self::rounded($needs), 'count' => $ropes * $learners, 'for' => 'each', 'knot' => $knot->id, 'colours' => $ropes,
                'reason' => new Saying('rope.piece_longest', ['used' => (int) round($used), 'tail' => $tail, 'hold' => self::HOLD]),
            ]);
        }
        $list = [];
        foreach ($objects as $kind => $about) {
            $list[] = ['kind' => (string) $kind, 'count' => $about['count'], 'knots' => $about['knots']];
        }

        return new self($pieces, $list);
    }

    private static function rounded(float $millimetres): int
    {
        return (int) (ceil(round($millimetres / self::ROUND, 6)) * self::ROUND);
    }
}
