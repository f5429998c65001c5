<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use App\Models\KeptFile;
use App\Work\WorkView;

/**
 * Which zips a group has here, and whether it lives here.
 */
final class AlongBoard
{
    /** @return array<string, mixed> the latest file first */
    public static function of(Group $group): array
    {
        $files = KeptFile::query()->where('group_id', $group->id)->where('kind', '!=', 'given')->orderByDesc('created_at')->orderByDesc('id')->get();

        return [
            'left_at' => $group->left_at?->toIso8601ZuluString(),
            'files' => array_values($files->map(static fn (KeptFile $file): array => [
                'id' => $file->id, 'kind' => $file->kind, 'state' => $file->state, 'locked' => $file->locked, 'bytes' => $file->bytes,
                'made_at' => $file->created_at->toIso8601ZuluString(), 'until' => $file->updated_at->addDays(KeptFile::DAYS)->toIso8601ZuluString(),
            ])->all()),
            'work' => WorkView::last($group, WriteFiles::kind()),
        ];
    }
}
