<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Mistakes\Found;
use Compadre\Core\Words\Saying;

/**
 * The right form among usual mistakes. No two of them come to the same, and none is as good as the right one.
 */
final class Spot implements Asks
{
    private const WRONG = 3;

    public function of(Sample $sample, Lot $lot): ?Task
    {
        $byOutcome = [];
        foreach ($sample->isTold() ? $sample->wrong() : [] as $found) {
            $byOutcome[$found->becomes->key()] ??= $found;
        }
        $wrong = array_slice(array_values($byOutcome), 0, self::WRONG);
        if ($wrong === []) {
            return null;
        }
        $forms = $lot->mixed([null, ...$wrong]);
        $answer = (int) array_search(null, $forms, true);
        $why = [];
        foreach ($forms as $place => $form) {
            if ($form instanceof Found) {
                $why[] = new Saying('practice.would', ['place' => $place + 1, 'become' => $sample->becomes($form->becomes)]);
            }
        }

        return new Task(
            TaskKind::Spot, new Saying('practice.spot', ['knot' => $sample->name()]),
            array_map(static fn (?Found $form): array => ['words' => $sample->words($form?->slip->flips ?? [])], $forms), $answer,
            new Saying('practice.spot_is', ['place' => $answer + 1, 'knot' => $sample->name(), 'why' => Saying::joined('practice.and_others', $why)]),
        );
    }
}
