<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Along\GroupTables;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/**
 * Holds every question that the app asks for a request to one group: whatever reads or changes a group's rows names the group, or rows by
 * their ids (that an id which is given is looked up in the group is the matrix's to hold), and finds them by an index.
 */
trait HoldsScope
{
    /** Whether there is any group yet: the first that is found is enough. */
    private const ANY = 'select exists(select * from `groups`) as `exists`';

    private bool $isAsking = false;

    /** @var list<string> */
    private array $unscoped = [];

    /** @var array<string, string> questions of this test that none before it has asked, with one set of values each */
    private array $asked = [];

    /** @var array<string, true> */
    private static array $known = [];

    protected function holdScope(): void
    {
        $tables = implode('|', [...array_keys(GroupTables::ALONG), 'standings', 'practice_cards', 'invitations', 'kept_files', 'works']);
        DB::listen(function (QueryExecuted $query) use ($tables): void {
            if ($this->isAsking && (self::isUnscoped($query->sql, $tables) || self::isNobodys($query->sql))) {
                $this->unscoped[] = $query->sql;
            }
            // However many there are in a list, it is one question.
            $kind = (string) preg_replace('/\(\?(, \?)*\)/', '(?)', $query->sql);
            if ($this->isAsking && ! isset(self::$known[$kind]) && $kind !== self::ANY && preg_match('/^\s*(select|update|delete)\b/i', $kind) === 1) {
                self::$known[$kind] = true;
                $this->asked[$kind] = $query->toRawSql();
            }
        });
    }

    /** @return list<string> what was asked of all groups, up to now */
    protected function unscoped(): array
    {
        [$unscoped, $this->unscoped] = [$this->unscoped, []];

        return $unscoped;
    }

    /** @return array<string, list<string>> by question that was asked for the first time, the tables that a large house would read through for it */
    protected function readsThrough(): array
    {
        [$asked, $this->asked] = [$this->asked, []];

        return array_filter(array_map(LargeHouse::readsThrough(...), $asked));
    }

    /** @param  string  $tables  names of tables, parted by | */
    public static function isUnscoped(string $sql, string $tables): bool
    {
        if (preg_match('/^\s*(select|update|delete)\b/i', $sql) !== 1 || preg_match("/\\b(from|update|join)\\s+`?($tables)`?\\b/i", $sql) !== 1) {
            return false;
        }
        // Whether there is any group yet; a zip of a group that is not here yet; nothing at all.
        if ($sql === self::ANY || str_contains($sql, '`group_id` is null') || str_contains($sql, '0 = 1')) {
            return false;
        }
        $where = stristr($sql, ' where ');

        return $where === false || preg_match('/\b(group_id|(\w+_)?id|\w+_hash)\b`?(, \w+\))?\s*(=|in\b|<=>)/i', $where) !== 1;
    }

    /** Whether it writes a row that does not say whose it is, in a table where nothing but the app asks for that. */
    public static function isNobodys(string $sql): bool
    {
        return preg_match('/^\s*insert\b.*?\binto `?(attendances|block_runs|pursuits|badge_ticks|status_places)`?\s*\(([^)]*)\)/is', $sql, $found) === 1 && ! str_contains($found[2], 'group_id');
    }

    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        // Whoever hosts the house counts over all of them.
        $this->isAsking = ! str_starts_with((string) $uri, '/api/host');
        try {
            return parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        } finally {
            $this->isAsking = false;
        }
    }
}
