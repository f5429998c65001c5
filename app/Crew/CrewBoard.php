<?php

declare(strict_types=1);

namespace App\Crew;

use App\Http\Words;
use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Marks;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Words\Saying;

/**
 * Learners down, knots across, and how far the badges are.
 */
final readonly class CrewBoard
{
    public function __construct(private KnotNames $names)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group);
        [$learners, $progress] = [[], []];
        foreach ($state->learners as $learner) {
            $marks = [];
            foreach ($learner->standings as $standing) {
                $marks[$standing->knot] = Marks::of($standing, $state->today);
            }
            $progress[$learner->name] = array_map(fn (BadgePack $badge): array => GroupState::progress($badge, $learner), $state->badgesOf($learner));
            $learners[] = [
                'id' => $learner->id, 'name' => $learner->name, 'age_band' => $learner->age_band->value, 'patrol' => $learner->patrol, 'marks' => (object) $marks,
                'badges' => $progress[$learner->name], 'wanted' => (object) array_map(fn (Level $level): string => $level->value, $state->wantedBy($learner)),
            ];
        }
        $current = array_filter($state->badges, fn (string $key): bool => ! str_contains($key, '@'), ARRAY_FILTER_USE_KEY);

        return [
            'knots' => array_map(fn (string $id): array => ['id' => $id, 'name' => $this->names->of($id)], $this->columns($state)),
            'learners' => $learners,
            'ready' => $this->ready($current, $progress),
            'badges' => array_values(array_map(fn (BadgePack $badge): array => ['id' => $badge->id, 'name' => $badge->name, 'knots' => $badge->knots()], $current)),
            'today' => $state->today,
            // Asked for by pages that were opened before the screens said themselves what tonight changed.
            'tonight' => [],
        ];
    }

    /** @return list<string> the knots of the group's badges, in badge order, then any other knot somebody has met */
    public function columns(GroupState $state): array
    {
        $knots = [];
        foreach ($state->badges as $badge) {
            array_push($knots, ...$badge->knots());
        }
        $met = [];
        foreach ($state->learners as $learner) {
            foreach ($learner->standings as $standing) {
                $met[$standing->knot] = true;
            }
        }
        ksort($met);
        $known = $this->names->all();

        return array_values(array_filter(array_unique([...$knots, ...array_map(strval(...), array_keys($met))]), static fn (string $id): bool => isset($known[$id])));
    }

    /**
     * @param  array<string, BadgePack>  $badges
     * @param  array<string, list<array{badge: string, name: string, met: int, needed: int, complete: bool, held: bool}>>  $progress  by the learner's name
     * @return list<string>
     */
    private function ready(array $badges, array $progress): array
    {
        $words = Words::asked();
        $sentences = [];
        foreach ($badges as $badge) {
            [$done, $near] = [[], []];
            foreach ($progress as $name => $own) {
                foreach ($own as $one) {
                    if ($one['badge'] !== $badge->id || $one['held']) {
                        continue;
                    }
                    if ($one['complete']) {
                        $done[] = $name;
                    } elseif ($one['needed'] - $one['met'] === 1) {
                        $near[] = $name;
                    }
                }
            }
            if ($done !== []) {
                $sentences[] = $words->say(new Saying('crew.complete_for', ['badge' => $badge->name, 'learners' => rtrim(implode(', ', $done), '.')]));
            }
            if ($near !== []) {
                $sentences[] = $words->say(new Saying('crew.one_short', ['badge' => $badge->name, 'learners' => rtrim(implode(', ', $near), '.')]));
            }
        }

        return $sentences;
    }
}
