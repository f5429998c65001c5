<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\GroupState;
use App\Models\Meeting;
use Compadre\Core\Teaching\Term\Consequence;
use Compadre\Core\Teaching\Term\TermSheet;
use Compadre\Core\Teaching\Term\UnmetNeed;
use Illuminate\Database\Eloquent\Collection;

/**
 * What another plan would come to beside the one that stands.
 */
final class PlanProposal
{
    /**
     * A plan laid out anew, where it is better than the one that stands.
     *
     * @param  Collection<int, Meeting>  $meetings
     * @return ?array<string, mixed>
     */
    public static function of(GroupState $state, TermPlan $plans, Collection $meetings): ?array
    {
        [$kept, $anew] = [$plans->kept(), $plans->anew()];

        return $anew->isBetterThan($kept) ? self::consequence($state, $kept, $anew, $meetings) : null;
    }

    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return array<string, mixed>
     */
    public static function consequence(GroupState $state, TermSheet $before, TermSheet $after, Collection $meetings): array
    {
        $found = Consequence::of($before, $after, array_flip($meetings->modelKeys()));

        return ['lost' => array_map(fn (UnmetNeed $need): array => self::unmet($state, $need), $found['lost'])] + $found;
    }

    /** @return array<string, mixed> */
    public static function unmet(GroupState $state, UnmetNeed $need): array
    {
        $names = $state->learners->pluck('name', 'id');

        return ['learners' => array_map(fn (string $id): string => (string) $names[$id], $need->learners)] + $need->toArray();
    }
}
