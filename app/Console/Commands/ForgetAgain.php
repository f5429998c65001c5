<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\EraseLearner;
use App\Actions\KeepLearner;
use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\Learner;
use Illuminate\Console\Command;

/**
 * After an older backup was put back: what was erased or merged since then is so again. Reads a line for each, as id, group and the
 * entry it went up in, parted by tabs.
 */
final class ForgetAgain extends Command
{
    protected $signature = 'compadre:forget-again {file}';

    protected $description = 'Erase again what an older backup has brought back';

    public function handle(EraseLearner $erase, KeepLearner $keep): int
    {
        $path = $this->argument('file');
        if (! is_string($path)) {
            return self::FAILURE;
        }
        foreach (file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            [$id, $groupId, $into] = array_pad(explode("\t", $line), 3, '');
            $group = Group::query()->find($groupId);
            if ($group === null || GoneLearner::query()->where('id', $id)->exists()) {
                continue;
            }
            $learner = Learner::query()->where('group_id', $group->id)->find($id);
            $other = $into === '' || $into === 'NULL' ? null : Learner::query()->where('group_id', $group->id)->find($into);
            match (true) {
                // Never in this backup: only the id is kept, so that no late phone brings it.
                $learner === null => GoneLearner::query()->create(['id' => $id, 'group_id' => $group->id, 'into_id' => $other?->id]),
                $other !== null => $keep->merge($group, $learner, $other),
                default => $erase($group, $learner),
            };
            $this->line('One learner who was removed since then is removed again.');
        }

        return self::SUCCESS;
    }
}
