<?php

declare(strict_types=1);

namespace App\House;

use App\Crew\EraseLearner;
use App\Crew\KeepLearner;
use App\House\People\KeepPerson;
use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\Learner;
use App\Models\User;
use Compadre\Core\Refusal;
use Illuminate\Console\Command;

/**
 * After an older backup was put back: who was erased or merged since then is so again, and whose access had ended has none. Reads a
 * line for each, as kind (learner or person), id, group and the entry it went up in, parted by tabs.
 */
final class ForgetAgain extends Command
{
    protected $signature = 'compadre:forget-again {file}';

    protected $description = 'Erase again what an older backup has brought back';

    public function handle(EraseLearner $erase, KeepLearner $keep, KeepPerson $people): int
    {
        $path = $this->argument('file');
        if (! is_string($path)) {
            return self::FAILURE;
        }
        foreach (file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            [$kind, $id, $groupId, $into] = array_pad(explode("\t", $line), 4, '');
            $group = Group::query()->find($groupId);
            if ($group === null) {
                continue;
            }
            if ($kind === 'person' ? $this->end($group, $id, $people) : $this->erase($group, $id, $into, $erase, $keep)) {
                $this->line($kind === 'person' ? 'One person whose access had ended since then has none again.' : 'One learner who was removed since then is removed again.');
            }
        }

        return self::SUCCESS;
    }

    /** @return bool whether there was anything to be done */
    private function erase(Group $group, string $id, string $into, EraseLearner $erase, KeepLearner $keep): bool
    {
        if (GoneLearner::query()->where('id', $id)->exists()) {
            return false;
        }
        $learner = Learner::query()->where('group_id', $group->id)->find($id);
        $other = $into === '' ? null : Learner::query()->where('group_id', $group->id)->find($into);
        match (true) {
            // Never in this backup: only the id is kept, so that no late phone brings it.
            $learner === null => GoneLearner::query()->create(['id' => $id, 'group_id' => $group->id, 'into_id' => $other?->id]),
            $other !== null => $keep->merge($group, $learner, $other),
            default => $erase($group, $learner),
        };

        return true;
    }

    /** The last lead stays: a group that nobody can open helps nobody. */
    private function end(Group $group, string $id, KeepPerson $people): bool
    {
        $person = User::of($group)->find($id);
        if ($person === null) {
            return false;
        }
        try {
            $people->endAccess($group, $person);
        } catch (Refusal) {
            return false;
        }

        return true;
    }
}
