<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Words\Saying;
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
                ! self::isDay($date) => new Saying('teaching.meetings_date', ['date' => $date]),
                preg_match('/^([01]\d|2[0-3]):[0-5]\d$/', $starts) !== 1 => new Saying('teaching.meetings_start', ['start' => $starts]),
                preg_match('/^\d{1,3}$/', $minutes) !== 1 || (int) $minutes < 15 || (int) $minutes > 600 => new Saying('teaching.meetings_minutes', ['minutes' => $minutes]),
                preg_match('/^\d{1,2}$/', $checkers) !== 1 || (int) $checkers < 1 || (int) $checkers > 20 => new Saying('teaching.meetings_checkers', ['checkers' => $checkers]),
                mb_strlen($cells['place'] ?? '') > 80 => new Saying('teaching.meetings_place'),
                isset($cells['']) => new Saying('teaching.meetings_more', ['more' => $cells['']]),
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
