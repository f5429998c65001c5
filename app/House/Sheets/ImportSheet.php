<?php

declare(strict_types=1);

namespace App\House\Sheets;

use App\Course\AddMeeting;
use App\Crew\AddLearners;
use App\Models\Group;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\MeetingSheet;
use Compadre\Core\Teaching\RosterSheet;
use Illuminate\Support\Facades\DB;

/**
 * Reads a roster or a list of meetings from a table: first to look at, with every bad row named; then in, all of it, or the
 * good rows alone when that is asked for.
 */
final readonly class ImportSheet
{
    public function __construct(private AddLearners $addLearners, private AddMeeting $addMeeting)
    {
    }

    /** @return array{rows: list<array<string, mixed>>, good: int, bad: int, encoding: string} */
    public function look(Group $group, string $kind, Fields $sheet): array
    {
        $table = CsvTable::read(Base64::read($sheet->text('bytes'), '/bytes'), $kind === 'roster' ? RosterSheet::MOST : MeetingSheet::MOST);
        $rows = $kind === 'roster' ? RosterSheet::rows($table, array_values($group->learners()->pluck('name')->all())) : $this->meetings($group, $table);
        $bad = count(array_filter($rows, static fn (array $row): bool => $row['fault'] !== null));

        return ['rows' => $rows, 'good' => count($rows) - $bad, 'bad' => $bad, 'encoding' => $table->encoding];
    }

    /** @return int how many came in */
    public function take(Group $group, string $kind, Fields $sheet): int
    {
        return DB::transaction(function () use ($group, $kind, $sheet): int {
            $found = $this->look($group, $kind, $sheet);
            if ($found['bad'] > 0 && ! $sheet->flag('leave_bad')) {
                throw Refusal::saying('/bytes', $found['bad'].' rows', 'rows without a fault, or only the good ones when asked', sprintf('%d of %d rows have a fault; nothing was taken in. Mend them, or take in the others alone.', $found['bad'], count($found['rows'])));
            }
            $good = array_values(array_filter($found['rows'], static fn (array $row): bool => $row['fault'] === null));
            if ($kind === 'roster') {
                ($this->addLearners)($group, array_map(Fields::of(...), $good));
            } else {
                foreach (array_map(Fields::of(...), $good) as $row) {
                    $this->addMeeting->write($group, $row->text('date'), $row->text('starts_at'), $row->whole('minutes'), $row->whole('checkers'), $row->textOrNull('place'), '/bytes');
                }
            }

            return count($good);
        });
    }

    /** @return list<array{line: int, date: string, starts_at: string, minutes: int, checkers: int, place: ?string, fault: ?string}> with those that meet another marked */
    private function meetings(Group $group, CsvTable $table): array
    {
        $kept = [];
        $rows = [];
        foreach (MeetingSheet::rows($table, $group->today()) as $row) {
            if ($row['fault'] === null) {
                try {
                    $this->addMeeting->holdFree($group, $row['date'], $row['starts_at'], $row['minutes'], '/bytes');
                    foreach ($kept as $other) {
                        if ($other['date'] === $row['date'] && AddMeeting::overlap($other['starts_at'], $other['minutes'], $row['starts_at'], $row['minutes'])) {
                            throw Refusal::saying('/bytes', $row['date'], 'a time without a meeting', "Line {$other['line']} has a meeting at that time.");
                        }
                    }
                    $kept[] = $row;
                } catch (Refusal $refusal) {
                    $row['fault'] = $refusal->getMessage();
                }
            }
            $rows[] = $row;
        }

        return $rows;
    }
}
