<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use LogicException;

/**
 * For a table whose key is several columns together. The framework knows keys of one column only, and would change or delete
 * every row that shares it; here a saved row is found again by its whole key, and asking for "the" key is refused.
 */
trait KeyedByColumns
{
    /** @return non-empty-list<string> the table's whole primary key */
    abstract public static function keyColumns(): array;

    public function getIncrementing(): bool
    {
        return false;
    }

    public function getKeyName(): string
    {
        throw new LogicException(static::class.' is found by '.implode(' and ', static::keyColumns()).', never by one column.');
    }

    public function getKey(): string
    {
        return implode(' ', array_map(fn (string $column): string => (string) $this->getAttribute($column), static::keyColumns()));
    }

    public function delete(): bool
    {
        $this->setKeysForSaveQuery($this->newModelQuery())->delete();
        $this->exists = false;

        return true;
    }

    /**
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    protected function setKeysForSaveQuery($query): Builder
    {
        foreach (static::keyColumns() as $column) {
            $query->where($column, $this->original[$column] ?? $this->getAttribute($column));
        }

        return $query;
    }

    /**
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    protected function setKeysForSelectQuery($query): Builder
    {
        return $this->setKeysForSaveQuery($query);
    }
}
