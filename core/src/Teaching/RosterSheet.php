<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;

/**
 * A list of learners as a table: name, age (in years, or a band), hand, patrol. Each row is good or has a fault in words.
 */
final class RosterSheet
{
    public const MOST = 500;

    public const COLUMNS = [
        'name' => ['name', 'learner', 'display name', 'who'], 'age' => ['age', 'age band', 'band', 'years'], 'hand' => ['hand', 'handed'], 'patrol' => ['patrol', 'team', 'crew', 'squad'],
    ];

    /** @return list<SheetRow> each with name, age_band, hand and patrol; a column that is not there changes nothing */
    public static function rows(CsvTable $table): array
    {
        $seen = [];
        $rows = [];
        foreach ($table->named(self::COLUMNS) as $line => $cells) {
            $name = LearnerName::tidy($cells['name'] ?? '');
            $band = self::band($cells['age'] ?? '');
            $hand = mb_strtolower($cells['hand'] ?? '');
            $fault = match (true) {
                isset($cells['']) => 'There is more on this row than name, age, hand and patrol: '.$cells[''].'.',
                $name === '' => 'The name is missing.',
                mb_strlen($name) > 40 => "The name is longer than 40 characters: $name.",
                in_array(LearnerName::key($name), $seen, true) => "$name is in this list twice. Add an initial to tell them apart.",
                $band === null => sprintf('The age is "%s"; allowed: years from 5 to 17, or 5-7, 8-10, 11-13, 14+.', $cells['age'] ?? ''),
                ! in_array($hand, ['', 'left', 'right', 'l', 'r'], true) => "The hand is \"$hand\"; allowed: left, right or nothing.",
                mb_strlen($cells['patrol'] ?? '') > 40 => "The patrol is longer than 40 characters: {$cells['patrol']}.",
                default => null,
            };
            if ($fault === null) {
                $seen[] = LearnerName::key($name);
            }
            $rows[] = new SheetRow($line, ['name' => $name, 'age_band' => $band?->value]
                + (isset($cells['hand']) ? ['hand' => ['l' => 'left', 'r' => 'right', 'left' => 'left', 'right' => 'right'][$hand] ?? null] : [])
                + (isset($cells['patrol']) ? ['patrol' => $cells['patrol'] === '' ? null : $cells['patrol']] : []), $fault);
        }

        return $rows;
    }

    private static function band(string $age): ?AgeBand
    {
        $age = str_replace(['–', ' to ', ' '], ['-', '-', ''], $age);
        if (preg_match('/^\d{1,2}$/', $age) === 1) {
            foreach (AgeBand::cases() as $band) {
                [$youngest, $oldest] = $band->ages();
                if ((int) $age >= $youngest && (int) $age <= $oldest) {
                    return $band;
                }
            }
        }

        return AgeBand::tryFrom($age);
    }
}
