<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Group;
use App\Models\Standing;
use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;

/**
 * Learners down, knots across, and how far the badges are.
 */
final readonly class CrewBoard
{
    public function __construct(private BadgeShelf $shelf, private Library $library)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group, $this->shelf);
        $learners = [];
        foreach ($state->learners as $learner) {
            $learners[] = [
                'id' => $learner->id, 'name' => $learner->name, 'age_band' => $learner->age_band->value,
                'marks' => (object) $learner->standings->mapWithKeys(fn (Standing $standing): array => [$standing->knot => Marks::of($standing, $state->today)])->all(),
                'badges' => array_map(fn (BadgePack $badge): array => GroupState::progress($badge, $learner), $state->badgesOf($learner)),
                'wanted' => (object) array_map(fn (Level $level): string => $level->value, $state->wantedBy($learner)),
            ];
        }

        return [
            'knots' => array_map(fn (string $id): array => ['id' => $id, 'name' => $this->library->knot($id)->names[0]], $this->columns($state)),
            'learners' => $learners,
            'ready' => $this->ready($state),
            'badges' => array_values(array_map(fn (BadgePack $badge): array => ['id' => $badge->id, 'name' => $badge->name, 'knots' => $badge->knots()], array_filter($state->badges, fn (string $key): bool => ! str_contains($key, '@'), ARRAY_FILTER_USE_KEY))),
            'today' => $state->today, 'tonight' => $this->tonight($state),
        ];
    }

    /** @return list<array{id: string, name: string, words: list<string>}> what was checked today, learner by learner */
    private function tonight(GroupState $state): array
    {
        $changed = [];
        foreach ($state->learners as $learner) {
            $words = $learner->standings->where('day', $state->today)->sortBy('knot')
                ->map(fn (Standing $standing): string => $this->library->knot($standing->knot)->names[0].': '.lcfirst(Marks::of($standing, $state->today)['words']))->values()->all();
            if ($words !== []) {
                $changed[] = ['id' => $learner->id, 'name' => $learner->name, 'words' => array_values($words)];
            }
        }

        return $changed;
    }

    /** @return list<string> the knots of the group's badges, in badge order, then any other knot somebody has met */
    private function columns(GroupState $state): array
    {
        $knots = [];
        foreach ($state->badges as $badge) {
            array_push($knots, ...$badge->knots());
        }
        foreach ($state->learners as $learner) {
            array_push($knots, ...$learner->standings->pluck('knot')->sort()->values()->all());
        }

        return array_values(array_filter(array_unique($knots), $this->library->has(...)));
    }

    /** @return list<string> */
    private function ready(GroupState $state): array
    {
        $sentences = [];
        foreach ($state->badges as $badge) {
            [$done, $near] = [[], []];
            foreach ($state->learners as $learner) {
                if (! in_array($badge, $state->badgesOf($learner), true)) {
                    continue;
                }
                $progress = GroupState::progress($badge, $learner);
                if ($progress['complete']) {
                    $done[] = $learner->name;
                } elseif ($progress['needed'] - $progress['met'] === 1) {
                    $near[] = $learner->name;
                }
            }
            if ($done !== []) {
                $sentences[] = $badge->name.' is complete for '.rtrim(implode(', ', $done), '.').'.';
            }
            if ($near !== []) {
                $sentences[] = 'One knot short of '.$badge->name.': '.rtrim(implode(', ', $near), '.').'.';
            }
        }

        return $sentences;
    }
}
