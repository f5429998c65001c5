<?php

declare(strict_types=1);

namespace Tests\Support;

use PDO;
use RuntimeException;
use Tests\TestHouse;

/**
 * What the database would do to answer a question in a house of many groups: asked of a schema of its own that has the app's tables and
 * indexes, and thousands of made-up rows in each.
 */
final class LargeHouse
{
    private const SCHEMA = 'compadre_plans';

    private const ROWS = 3000;

    private const GROUPS = 150;

    /** Rows a question may look through one by one: what stays small however many groups there are. */
    private const FEW = 300;

    /** Who hosts a house, and how it was built, does not grow with its groups. */
    private const SMALL = ['hosts', 'migrations'];

    /** What columns refer to, where their names do not say so. */
    private const OF = ['by' => 'users', 'list_id' => 'status_lists', 'file_id' => 'kept_files', 'marked_by' => 'users', 'made_by' => 'users', 'created_by' => 'users', 'decided_by' => 'users', 'ticked_by' => 'users'];

    private static ?PDO $house = null;

    /** @return list<string> which tables it would read through, and how many rows of each */
    public static function readsThrough(string $sql): array
    {
        self::$house ??= self::fill();
        $found = [];
        foreach (self::$house->query("explain $sql")->fetchAll(PDO::FETCH_ASSOC) as $step) {
            if (in_array($step['type'], ['ALL', 'index'], true) && ! str_starts_with((string) $step['table'], '<') && (int) $step['rows'] > self::FEW) {
                $found[] = "{$step['table']} ({$step['rows']} rows)";
            }
        }

        return $found;
    }

    private static function fill(): PDO
    {
        $is = TestHouse::settings();
        $house = new PDO("mysql:host=127.0.0.1;port={$is['DB_PORT']};charset=utf8mb4", $is['DB_USERNAME'], $is['DB_PASSWORD'], [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $house->exec('drop database if exists '.self::SCHEMA.'; create database '.self::SCHEMA);
        $house->exec('use '.self::SCHEMA);
        $house->exec("set foreign_key_checks = 0, sql_mode = ''");
        $columns = $house->query("select table_name, column_name, data_type, character_maximum_length as most from information_schema.columns
            where table_schema = 'compadre_feature' and coalesce(generation_expression, '') = '' order by table_name, ordinal_position")->fetchAll(PDO::FETCH_ASSOC);
        $tables = [];
        foreach ($columns as $column) {
            $tables[$column['table_name']]["`{$column['column_name']}`"] = self::value($column['table_name'], $column['column_name'], $column['data_type'], (int) $column['most']);
        }
        foreach ($tables as $table => $values) {
            $house->exec("create table `$table` like compadre_feature.`$table`");
            $rows = in_array($table, self::SMALL, true) ? 3 : self::ROWS;
            $house->exec("insert ignore into `$table` (".implode(', ', array_keys($values)).') select '.implode(', ', $values)." from seq_1_to_$rows");
        }
        foreach (array_keys($tables) as $table) {
            $rows = (int) $house->query("select count(*) from `$table`")->fetchColumn();
            if ($rows < self::FEW && ! in_array($table, self::SMALL, true)) {
                throw new RuntimeException("Only $rows rows could be made up for $table: nothing is shown by it.");
            }
        }
        $house->query('analyze table '.implode(', ', array_map(static fn (string $table): string => "`$table`", array_keys($tables))))->fetchAll();

        return $house;
    }

    private static function value(string $table, string $column, string $type, int $most): string
    {
        // Of version 4: the database looks.
        $of = static fn (string $whose, string $number): string => "insert(insert(md5(concat('$whose', $number)), 13, 1, '4'), 17, 1, '8')";

        return match (true) {
            $type === 'uuid' && $column === 'id' => $of($table, 'seq'),
            $type === 'uuid' && $column === 'group_id' => $of('groups', $table === 'group_pictures' ? 'seq' : 'seq % '.self::GROUPS),
            $type === 'uuid' => $of(self::OF[$column] ?? preg_replace('/_id$/', 's', $column), 'seq'),
            $type === 'date' => "date('2026-01-01') + interval seq % 300 day",
            in_array($type, ['datetime', 'timestamp'], true) => "timestamp('2026-11-20') + interval seq * 97 minute",
            in_array($type, ['tinyint', 'smallint'], true) => 'seq % 2',
            $column === 'id' => 'seq',
            in_array($type, ['int', 'bigint', 'decimal', 'double'], true) => 'seq % 100',
            $most > 1000 || $type === 'longtext' => "'{}'",
            $most > 30 => "left(concat(md5(concat('$column', seq)), seq), $most)",
            default => "left(concat('k', seq % 7), $most)",
        };
    }
}
