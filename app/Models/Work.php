<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * Something that takes longer than anybody waits for: written with what it is for, done by the worker.
 *
 * @property string $id
 * @property string $group_id
 * @property string $kind
 * @property string $state waiting, running, done
 * @property bool $again whether more came up while it was being done
 * @property int $done
 * @property int $of
 * @property ?string $trouble what kept it from being done, the last time
 * @property int $tries that went wrong in a row
 * @property CarbonImmutable $wake_at not before then
 * @property ?string $held_by whoever does it
 * @property ?CarbonImmutable $held_until and by when they are to have said that they still do
 * @property CarbonImmutable $updated_at
 */
final class Work extends Row
{
    use HasUuids;

    protected $table = 'works';

    protected function casts(): array
    {
        return ['again' => 'boolean', 'done' => 'integer', 'of' => 'integer', 'tries' => 'integer', 'wake_at' => 'immutable_datetime', 'held_until' => 'immutable_datetime'];
    }
}
