<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Mistakes\Found;

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
                $why[] = sprintf('%d would %s', $place + 1, $sample->becomes($form->becomes));
            }
        }

        return new Task(
            TaskKind::Spot, sprintf('Which of these is %s?', $sample->name()),
            array_map(static fn (?Found $form): array => ['words' => $sample->words($form?->slip->flips ?? [])], $forms), $answer,
            sprintf('%d is %s. %s.', $answer + 1, $sample->name(), ucfirst(implode('; ', $why))),
        );
    }
}
