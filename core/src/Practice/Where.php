<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\SlipKind;
use Compadre\Core\Words\Saying;

/**
 * A form with one crossing wrong: which is it? Mending any other that is offered leaves it wrong.
 */
final class Where implements Asks
{
    private const OTHERS = 3;

    public function of(Sample $sample, Lot $lot): ?Task
    {
        $wrong = array_values(array_filter($sample->isTold() ? $sample->wrong() : [], static fn (Found $found): bool => $found->slip->kind === SlipKind::Flip));
        foreach ($lot->mixed($wrong) as $found) {
            $crossing = (int) $found->slip->crossing;
            $others = [];
            foreach ($lot->mixed(array_keys($sample->diagram->crossings)) as $other) {
                if (count($others) < self::OTHERS && $other !== $crossing && ! $sample->outcome([$crossing, $other])->isGood()) {
                    $others[] = $other;
                }
            }
            if ($others === []) {
                continue;
            }
            $offered = $lot->mixed([$crossing, ...$others]);

            return new Task(
                TaskKind::Where, new Saying('practice.where', ['knot' => $sample->name()]),
                array_map(static fn (int $one): array => ['crossing' => $one], $offered), (int) array_search($crossing, $offered, true),
                new Saying('practice.where_is', ['become' => $sample->becomes($found->becomes), 'fix' => $found->fix->told($sample->told(...))]),
                ['words' => $sample->words([$crossing])],
            );
        }

        return null;
    }
}
