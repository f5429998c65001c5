<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Group;
use App\Models\Work;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/**
 * Writes work down, to be done as soon as the worker comes to it. Called in the transaction that gives rise to it: both are kept, or neither.
 */
final class StartWork
{
    /** @param  class-string<LongWork>  $kind */
    public function __invoke(Group $group, string $kind): Work
    {
        $now = CarbonImmutable::now();
        // Where one of the kind is open already, it sees to this, too.
        Work::query()->insertOrIgnore(['id' => (string) Str::uuid7(), 'group_id' => $group->id, 'kind' => $kind::kind(), 'state' => 'waiting', 'wake_at' => $now, 'created_at' => $now, 'updated_at' => $now]);
        $work = Work::query()->where('group_id', $group->id)->where('kind', $kind::kind())->where('open', 1)->lockForUpdate()->sole();
        $work->update($work->state === 'running' ? ['again' => true] : ['wake_at' => $now, 'tries' => 0]);
        DoWork::dispatch($work->id);

        return $work;
    }
}
