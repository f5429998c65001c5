<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Words\Saying;

/**
 * One crossing is open: does the end that comes to it go over or under? Asked only where the other way is wrong.
 */
final class OverUnder implements Asks
{
    private const SAY = ['over', 'under'];

    public function of(Sample $sample, Lot $lot): ?Task
    {
        if (! $sample->isTold()) {
            return null;
        }
        foreach ($lot->mixed(array_keys($sample->diagram->crossings)) as $crossing) {
            $isOver = $sample->order->overIsLater[$crossing];
            $drawn = $sample->diagram->crossings[$crossing];
            if ($isOver === null || ! $sample->diagram->strands[$isOver ? $drawn->over : $drawn->under]->kind->isRope()) {
                continue;
            }
            $other = $sample->outcome([$crossing]);
            if ($other->isGood()) {
                continue;
            }
            $right = $isOver ? 0 : 1;
            $step = max(1, $sample->order->stepOf[$crossing]);

            return new Task(
                TaskKind::OverUnder, new Saying('practice.open_crossing', ['step' => $step, 'knot' => $sample->name()]),
                array_map(static fn (string $say): array => ['say' => $say], self::SAY), $right,
                new Saying($isOver ? 'practice.over_right' : 'practice.under_right', ['become' => $sample->becomes($other)]),
                ['crossing' => $crossing, 'step' => $step],
            );
        }

        return null;
    }
}
