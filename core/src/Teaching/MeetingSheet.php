<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use DateTimeImmutable;

/**
 * A list of meetings as a table: date, start, minutes, leaders who can check, place.
 */
final class MeetingSheet
{
    public const MOST = 200;

    public const COLUMNS = [
        'date' => ['date', 'day'], 'starts' => ['starts', 'start', 'starts at', 'time', 'from'], 'minutes' => ['minutes', 'length', 'duration'],
        'checkers' => ['checkers', 'leaders', 'helpers'], 'place' => ['place', 'where', 'location'],
    ];

    /** @return list<SheetRow> each with date, starts_at, minutes, checkers and place */
    public static function rows(CsvTable $table): array
    {
        $rows = [];
        foreach ($table->named(self::COLUMNS) as $line => $cells) {
            $date = $cells['date'] ?? '';
            $starts = ($cells['starts'] ?? '') === '' ? '18:30' : $cells['starts'];
            $starts = preg_match('/^\d:\d\d$/', $starts) === 1 ? '0'.$starts : $starts;
            $minutes = ($cells['minutes'] ?? '') === '' ? '60' : $cells['minutes'];
            $checkers = ($cells['checkers'] ?? '') === '' ? '2' : $cells['checkers'];
            $fault = match (true) {
                ! self::isDay($date) => "The date is \"$date\"; allowed: a date as 2026-11-24.",
                preg_match('/^([01]\d|2[0-3]):[0-5]\d$/', $starts) !== 1 => "The start is \"$starts\"; allowed: a time of day as 18:30.",
                preg_match('/^\d{1,3}$/', $minutes) !== 1 || (int) $minutes < 15 || (int) $minutes > 600 => "The minutes are \"$minutes\"; allowed: a whole number from 15 to 600.",
                preg_match('/^\d{1,2}$/', $checkers) !== 1 || (int) $checkers < 1 || (int) $checkers > 20 => "The leaders are \"$checkers\"; allowed: a whole number from 1 to 20.",
                mb_strlen($cells['place'] ?? '') > 80 => 'The place is longer than 80 characters.',
                isset($cells['']) => 'There is more on this row than date, start, minutes, leaders and place: '.$cells[''].'.',
                default => null,
            };
            $rows[] = new SheetRow($line, ['date' => $date, 'starts_at' => $starts, 'minutes' => (int) $minutes, 'checkers' => (int) $checkers, 'place' => ($cells['place'] ?? '') === '' ? null : $cells['place']], $fault);
        }

        return $rows;
    }

    private static function isDay(string $date): bool
    {
        $day = DateTimeImmutable::createFromFormat('!Y-m-d', $date);

        return $day !== false && $day->format('Y-m-d') === $date;
    }
}
