<?php

declare(strict_types=1);

namespace App\Along;

/**
 * What became of a group's rows: how many are new, others, gone, or as they were; and whose.
 */
final readonly class TakenIn
{
    /** Tables whose rows are named one by one, and what each is called by. */
    private const NAMED = ['learners' => 'name', 'meetings' => 'date', 'awards' => 'name', 'badge_packs' => 'badge', 'rig_packs' => 'rig'];

    /**
     * @param  array<string, array{new: int, other: int, gone: int, same: int}>  $tables
     * @param  list<array{table: string, name: string, what: string}>  $rows
     */
    private function __construct(public string $group, public string $name, public bool $replaces, public bool $hasKeys, public array $tables, public array $rows)
    {
    }

    /** @return array<string, array<string, array{string, string}>> by table and key: a sum of the row, and what it is called */
    public static function stateOf(string $group): array
    {
        $state = [];
        foreach (array_keys(GroupTables::ALONG) as $table) {
            $state[$table] = [];
            $key = array_flip(GroupTables::key($table));
            // Kept as they are, whatever comes in.
            $stays = array_flip(GroupTables::STAYS[$table] ?? []);
            foreach (GroupTables::rows($table, $group)->select(GroupTables::columns($table))->lazy(1000) as $row) {
                $row = (array) $row;
                $state[$table][implode(' ', array_intersect_key($row, $key))] = [hash('xxh128', (string) json_encode(array_diff_key($row, $stays))), (string) ($row[self::NAMED[$table] ?? ''] ?? '')];
            }
        }

        return $state;
    }

    /** @param  array<string, array<string, array{string, string}>>  $before */
    public static function since(array $before, ReadZip $zip, bool $replaces): self
    {
        $tables = $rows = [];
        foreach (self::stateOf($zip->group) as $table => $after) {
            $new = array_diff_key($after, $before[$table]);
            $gone = array_diff_key($before[$table], $after);
            $other = array_filter(array_intersect_key($after, $before[$table]), static fn (array $row, string $key): bool => $row[0] !== $before[$table][$key][0], ARRAY_FILTER_USE_BOTH);
            $tables[$table] = ['new' => count($new), 'other' => count($other), 'gone' => count($gone), 'same' => count($after) - count($new) - count($other)];
            foreach (isset(self::NAMED[$table]) ? ['new' => $new, 'other' => $other, 'gone' => $gone] : [] as $what => $all) {
                foreach ($all as [, $name]) {
                    $rows[] = ['table' => $table, 'name' => $name, 'what' => $what];
                }
            }
        }

        return new self($zip->group, $zip->name, $replaces, $zip->hasKeys, $tables, $rows);
    }
}
