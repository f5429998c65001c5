<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Membership;
use Compadre\Core\Teaching\Patrols;

/**
 * Who is in which patrol, and what that costs: patrols are taught apart.
 */
final readonly class PatrolBoard
{
    /** @return array{patrols: list<array{name: string, learners: list<array<string, mixed>>}>, without: list<array<string, mixed>>, helpers: list<array{id: string, name: string, patrol: ?string}>, checkers: ?int, rounds: ?int} by name; checkers of the next meeting */
    public function of(Group $group): array
    {
        $patrols = $without = [];
        foreach ($group->learners()->get() as $learner) {
            $learner->patrol === null ? $without[] = $learner->about() : $patrols[$learner->patrol][] = $learner;
        }
        uksort($patrols, static fn (string|int $a, string|int $b): int => strnatcasecmp((string) $a, (string) $b));
        $today = $group->today();
        $next = $group->term()->where('date', '>=', $today)->get()->first(static fn (Meeting $meeting): bool => $meeting->isAhead($today));

        return [
            'patrols' => array_map(
                static fn (string|int $name, array $own): array => ['name' => (string) $name, 'learners' => array_map(static fn (Learner $one): array => $one->about(), $own)],
                array_keys($patrols), array_values($patrols),
            ),
            'without' => $without,
            'helpers' => Membership::withPatrols($group, array_map(strval(...), array_keys($patrols))),
            'checkers' => $next?->checkers,
            'rounds' => $next === null ? null : Patrols::rounds(count($patrols), $next->checkers),
        ];
    }
}
