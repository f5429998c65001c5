<?php

declare(strict_types=1);

namespace App\House;

use App\Models\Group;
use App\Models\Role;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Holds a schema that a backup was read into against one made by today's app: no table, column or key that is not Compadre's, nothing
 * that acts by itself, no row whose other end is missing, and a group that somebody can open. Rows that open doors are emptied.
 * With --before, only what has to hold before it is brought up to today.
 */
final class HoldRestored extends Command
{
    /** As ops/backup.sh leaves them out of every dump; those of before had them. */
    private const EMPTIED = ['sessions', 'resets', 'remotes', 'invitations', 'remembered', 'devices', 'tries', 'password_reset_tokens'];

    protected $signature = 'compadre:hold-restored {like} {--before}';

    protected $description = 'Hold what a backup was read into against a schema of today';

    public function handle(): int
    {
        $here = DB::getDatabaseName();
        $given = $this->argument('like');
        $like = is_string($given) ? $given : '';
        $faults = [...$this->acting($here), ...($this->option('before') === true ? $this->unknownTables($here, $like) : [...$this->differing($here, $like), ...$this->loose($here), ...$this->empty()])];
        foreach ($faults as $fault) {
            $this->line("refused: $fault");
        }
        if ($faults === [] && $this->option('before') !== true) {
            foreach (self::EMPTIED as $table) {
                DB::table('information_schema.TABLES')->where('TABLE_SCHEMA', $here)->where('TABLE_NAME', $table)->exists() && DB::table($table)->delete();
            }
        }

        return $faults === [] ? self::SUCCESS : self::FAILURE;
    }

    /** @return list<string> views, triggers, routines and events: Compadre has none */
    private function acting(string $here): array
    {
        $found = [];
        foreach (['view' => ['VIEWS', 'TABLE_SCHEMA'], 'trigger' => ['TRIGGERS', 'TRIGGER_SCHEMA'], 'routine' => ['ROUTINES', 'ROUTINE_SCHEMA'], 'event' => ['EVENTS', 'EVENT_SCHEMA']] as $kind => [$table, $column]) {
            $found = [...$found, ...array_fill(0, DB::table("information_schema.$table")->where($column, $here)->count(), "It holds a $kind; a backup of Compadre holds none.")];
        }

        return array_values(array_unique($found));
    }

    /** @return list<string> */
    private function unknownTables(string $here, string $like): array
    {
        // One that the app once had and has no more.
        $unknown = array_diff($this->tables($here), $this->tables($like), ['password_reset_tokens']);
        $faults = array_map(static fn (string $table): string => "It holds a table called \"$table\"; Compadre has none of that name.", array_values($unknown));
        foreach (['migrations', 'groups', 'users', 'learners', 'check_events'] as $needed) {
            in_array($needed, $this->tables($here), true) || $faults[] = "It has no table \"$needed\", which every backup has.";
        }

        return $faults;
    }

    /** @return list<string> tables, columns and keys that are not as today's app makes them */
    private function differing(string $here, string $like): array
    {
        $faults = [];
        foreach (['TABLES' => ['TABLE_NAME', 'ENGINE', 'TABLE_TYPE'], 'COLUMNS' => ['TABLE_NAME', 'COLUMN_NAME', 'COLUMN_TYPE', 'IS_NULLABLE', 'COLUMN_DEFAULT', 'EXTRA', 'GENERATION_EXPRESSION', 'COLLATION_NAME'], 'STATISTICS' => ['TABLE_NAME', 'INDEX_NAME', 'SEQ_IN_INDEX', 'COLUMN_NAME', 'NON_UNIQUE']] as $table => $columns) {
            $rows = static fn (string $schema): array => DB::table("information_schema.$table")->where('TABLE_SCHEMA', $schema)->get($columns)->map(static fn (object $row): string => implode(' ', array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '-', (array) $row)))->all();
            foreach ([...array_diff($rows($here), $rows($like)), ...array_diff($rows($like), $rows($here))] as $row) {
                $faults[] = "A table is not as Compadre makes it: $row.";
            }
        }

        return $faults;
    }

    /** @return list<string> rows that name another which is not there: the file was read in without asking */
    private function loose(string $here): array
    {
        $faults = [];
        $keys = DB::select('select k.TABLE_NAME as child, k.COLUMN_NAME as field, k.REFERENCED_TABLE_NAME as parent, k.REFERENCED_COLUMN_NAME as id from information_schema.KEY_COLUMN_USAGE k where k.TABLE_SCHEMA = ? and k.REFERENCED_TABLE_NAME is not null', [$here]);
        foreach ($keys as $key) {
            $loose = DB::scalar("select count(*) from `$key->child` c left join `$key->parent` p on p.`$key->id` = c.`$key->field` where c.`$key->field` is not null and p.`$key->id` is null");
            if ($loose !== 0) {
                $faults[] = "It has rows in \"$key->child\" whose \"$key->parent\" is missing.";
            }
        }

        return $faults;
    }

    /** @return list<string> */
    private function empty(): array
    {
        $faults = EmptyHouse::waits() ? ['It has no group in it.'] : [];
        foreach (Group::query()->get() as $group) {
            $leads = DB::table('memberships')->join('users', 'users.id', '=', 'user_id')->where('group_id', $group->id)->where('role', Role::Lead->value)->whereNull('until')->whereNotNull('email')->whereNotNull('password');
            $leads->exists() || $faults[] = 'It has a group that nobody could open: no lead with a password.';
        }

        return $faults;
    }

    /** @return list<string> */
    private function tables(string $schema): array
    {
        return array_values(array_filter(DB::table('information_schema.TABLES')->where('TABLE_SCHEMA', $schema)->pluck('TABLE_NAME')->all(), is_string(...)));
    }
}
