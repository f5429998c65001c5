<?php

declare(strict_types=1);

namespace App\Check;

use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\Learner;
use App\Models\LeftCheck;
use App\Models\User;
use Compadre\Core\Checking\Kind;

/**
 * Checks from phones whose access had ended, for a lead to take in or not.
 */
final readonly class LeftCheckList
{
    public function __construct(private KnotNames $names)
    {
    }

    /** @return list<array{id: string, who: string, learner: ?string, knot: string, at: string, tying: string, dressing: string, tail: string}> the oldest first */
    public function of(Group $group): array
    {
        $waiting = LeftCheck::query();
        $waiting->where('group_id', $group->id)->orderBy('received_at')->orderBy('id')->limit(500);
        $left = $waiting->get();
        $people = User::everOf($group)->pluck('name', 'id');
        $learners = Learner::query()->where('group_id', $group->id)->whereIn('id', $left->pluck('learner_id'))->pluck('name', 'id');
        $text = static fn (LeftCheck $one, string $field): string => is_string($one->event[$field] ?? null) ? $one->event[$field] : '';

        return array_values($left->map(fn (LeftCheck $one): array => [
            'id' => $one->id, 'who' => $people->get($one->user_id) ?? '', 'learner' => $learners->get($one->learner_id), 'knot' => $this->names->of($text($one, 'knot')).($text($one, 'kind') === Kind::Used->value ? ', used in: '.str_replace('-', ' ', $text($one, 'rig')) : ''),
            'at' => $text($one, 'observed_at'), 'tying' => $text($one, 'tying'), 'dressing' => $text($one, 'dressing'), 'tail' => $text($one, 'tail'),
        ])->all());
    }
}
