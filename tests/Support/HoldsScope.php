<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Along\GroupTables;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;

/**
 * Holds every question that the app asks for a request to one group: whatever reads or changes a group's rows names the group, or rows by
 * their ids. (That an id which is given is looked up in the group is the matrix's to hold.)
 */
trait HoldsScope
{
    private bool $isAsking = false;

    /** @var list<string> */
    private array $unscoped = [];

    protected function holdScope(): void
    {
        $tables = implode('|', [...array_keys(GroupTables::ALONG), 'standings', 'practice_cards', 'invitations', 'kept_files', 'works']);
        DB::listen(function (QueryExecuted $query) use ($tables): void {
            if ($this->isAsking && self::isUnscoped($query->sql, $tables)) {
                $this->unscoped[] = $query->sql;
            }
        });
    }

    /** @return list<string> what was asked of all groups, up to now */
    protected function unscoped(): array
    {
        [$unscoped, $this->unscoped] = [$this->unscoped, []];

        return $unscoped;
    }

    /** @param  string  $tables  names of tables, parted by | */
    public static function isUnscoped(string $sql, string $tables): bool
    {
        if (preg_match('/^\s*(select|update|delete)\b/i', $sql) !== 1 || preg_match("/\\b(from|update|join)\\s+`?($tables)`?\\b/i", $sql) !== 1) {
            return false;
        }
        // Whether there is any group yet; a zip of a group that is not here yet; nothing at all.
        if ($sql === 'select exists(select * from `groups`) as `exists`' || str_contains($sql, '`group_id` is null') || str_contains($sql, '0 = 1')) {
            return false;
        }
        $where = stristr($sql, ' where ');

        return $where === false || preg_match('/\b(group_id|(\w+_)?id|\w+_hash)\b`?(, \w+\))?\s*(=|in\b|<=>)/i', $where) !== 1;
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
