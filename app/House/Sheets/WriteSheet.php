<?php

declare(strict_types=1);

namespace App\House\Sheets;

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Data\CsvTable;

/**
 * Writes a roster or a list of meetings as a table that can be taken in again.
 */
final class WriteSheet
{
    public function roster(Group $group): string
    {
        $rows = $group->learners()->get()->map(
            fn (Learner $learner): array => [$learner->name, $learner->age_band->value, (string) $learner->hand],
        );

        return CsvTable::write(['name', 'age', 'hand'], array_values($rows->all()));
    }

    public function meetings(Group $group): string
    {
        $rows = $group->term()->get()->map(fn (Meeting $meeting): array => [
            $meeting->date, $meeting->starts_at, (string) $meeting->minutes, (string) $meeting->checkers, (string) $meeting->place,
        ]);

        return CsvTable::write(['date', 'starts', 'minutes', 'checkers', 'place'], array_values($rows->all()));
    }
}
