<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Crew\AddLearners;
use App\Crew\KeepLearner;
use App\Models\Group;
use App\Models\Learner;
use App\Models\User;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Teaching\LearnerName;
use Compadre\Core\Teaching\Patrols;
use Compadre\Core\Teaching\RosterSheet;

/**
 * The learners: name, age, hand, patrol. Whoever is here already by name is changed.
 */
final readonly class RosterList implements Listing
{
    public function __construct(private AddLearners $add, private KeepLearner $keep)
    {
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $rows = $group->learners()->get()->map(fn (Learner $learner): array => [$learner->name, $learner->age_band->value, (string) $learner->hand, (string) $learner->patrol]);

        return CsvTable::write(array_keys(RosterSheet::COLUMNS), array_values($rows->all()), $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, RosterSheet::MOST);
        $here = $by->group->learners()->get()->keyBy(fn (Learner $learner): string => LearnerName::key($learner->name));
        $patrols = $here->pluck('patrol')->all();
        $rows = array_map(static function (SheetRow $row) use ($here, &$patrols): Row {
            $name = $row->data['name'];
            $patrol = $row->data['patrol'] ?? null;
            $data = array_key_exists('patrol', $row->data) ? ['patrol' => $patrols[] = Patrols::meant(is_string($patrol) ? $patrol : null, $patrols)] + $row->data : $row->data;
            $says = implode(', ', array_filter($row->data, is_string(...)));

            return $row->fault !== null ? Row::bad($row->line, $says, $row->fault) : Row::good($row->line, $says, $data, is_string($name) ? self::about($here->get(LearnerName::key($name))) : null);
        }, RosterSheet::rows($table));

        return new Looked($rows, $table->encoding, $table->leftOut(RosterSheet::COLUMNS));
    }

    /** @return ?array<string, ?string> */
    private static function about(?Learner $learner): ?array
    {
        return $learner === null ? null : ['name' => $learner->name, 'age_band' => $learner->age_band->value, 'hand' => $learner->hand, 'patrol' => $learner->patrol];
    }

    public function take(User $by, array $rows): void
    {
        $here = $by->group->learners()->get()->keyBy(fn (Learner $learner): string => LearnerName::key($learner->name));
        $new = [];
        foreach ($rows as $row) {
            $fields = Fields::of($row->data);
            $known = $here->get(LearnerName::key($fields->text('name')));
            $known === null ? $new[] = $fields : $this->keep->change($by->group, $known, $fields);
        }
        ($this->add)($by->group, $new);
    }
}
