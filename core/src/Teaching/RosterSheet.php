<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\CsvTable;

/**
 * A list of learners as a table: name, age (in years, or a band), hand. Each row is good or has a fault in words.
 */
final class RosterSheet
{
    public const MOST = 500;

    private const COLUMNS = [
        'name' => ['name', 'learner', 'display name', 'who'], 'age' => ['age', 'age band', 'band', 'years'], 'hand' => ['hand', 'handed'],
    ];

    /**
     * @param  list<string>  $taken  names the group has already
     * @return list<array{line: int, name: string, age_band: ?string, hand: ?string, fault: ?string}>
     */
    public static function rows(CsvTable $table, array $taken): array
    {
        $seen = array_map(LearnerName::key(...), $taken);
        $rows = [];
        foreach ($table->named(self::COLUMNS) as $line => $cells) {
            $name = LearnerName::tidy($cells['name'] ?? '');
            $band = self::band($cells['age'] ?? '');
            $hand = mb_strtolower($cells['hand'] ?? '');
            $fault = match (true) {
                isset($cells['']) => 'There is more on this row than name, age and hand: '.$cells[''].'.',
                $name === '' => 'The name is missing.',
                mb_strlen($name) > 40 => "The name is longer than 40 characters: $name.",
                in_array(LearnerName::key($name), $seen, true) => LearnerName::taken($name),
                $band === null => sprintf('The age is "%s"; allowed: years from 5 to 17, or 5-7, 8-10, 11-13, 14+.', $cells['age'] ?? ''),
                ! in_array($hand, ['', 'left', 'right', 'l', 'r'], true) => "The hand is \"$hand\"; allowed: left, right or nothing.",
                default => null,
            };
            if ($fault === null) {
                $seen[] = LearnerName::key($name);
            }
            $rows[] = ['line' => $line, 'name' => $name, 'age_band' => $band?->value, 'hand' => ['l' => 'left', 'r' => 'right', 'left' => 'left', 'right' => 'right'][$hand] ?? null, 'fault' => $fault];
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
