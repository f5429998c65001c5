<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Role;
use Illuminate\Support\Facades\DB;

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
     * @param  list<array{name: string, email: string}>  $leads  who leads it, of those that can sign in
     */
    private function __construct(public string $group, public string $name, public bool $replaces, public bool $hasKeys, public array $tables, public array $rows, public array $leads)
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

        return new self($zip->group, $zip->name, $replaces, $zip->hasKeys, $tables, $rows, self::leads($zip->group));
    }

    /** @return array<string, mixed> */
    public function about(): array
    {
        $tables = array_filter($this->tables, static fn (array $count): bool => array_sum($count) > 0);

        return [
            'group' => $this->name, 'replaces' => $this->replaces, 'has_keys' => $this->hasKeys, 'rows' => $this->rows, 'leads' => $this->leads,
            'tables' => array_map(static fn (string $table, array $count): array => ['table' => $table] + $count, array_keys($tables), array_values($tables)),
        ];
    }

    /** @return list<array{name: string, email: string}> */
    private static function leads(string $group): array
    {
        $leads = DB::table('memberships')->join('users', 'users.id', '=', 'user_id')->where('group_id', $group)->where('role', Role::Lead->value)->whereNull('until')->whereNotNull('email')->orderBy('email')->get(['name', 'email']);

        return array_values($leads->map(static fn (object $lead): array => ['name' => (string) $lead->name, 'email' => (string) $lead->email])->all());
    }
}
