<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Words\Saying;

/**
 * A list of learners as a table: name, age (in years, or a band), hand, patrol. Each row is good or has a fault.
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
                isset($cells['']) => new Saying('teaching.roster_more', ['more' => $cells['']]),
                $name === '' => new Saying('data.row_name'),
                mb_strlen($name) > 40 => new Saying('teaching.roster_long', ['name' => $name]),
                in_array(LearnerName::key($name), $seen, true) => new Saying('teaching.roster_twice', ['name' => $name]),
                $band === null => new Saying('teaching.roster_age', ['age' => $cells['age'] ?? '']),
                ! in_array($hand, ['', 'left', 'right', 'l', 'r'], true) => new Saying('teaching.roster_hand', ['hand' => $hand]),
                mb_strlen($cells['patrol'] ?? '') > 40 => new Saying('teaching.roster_patrol', ['patrol' => $cells['patrol']]),
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
