<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;

/**
 * A term replayed from the input and the answer of `plan` as they are written, by code of its own, slow and obvious: which rule is
 * broken first, and what the four terms come to.
 */
final class PlainTerm
{
    private const AGE = ['5-7' => 1.6, '8-10' => 1.25, '11-13' => 1.0, '14+' => 0.85];

    private const NEW = ['5-7' => 1, '8-10' => 2, '11-13' => 3, '14+' => 4];

    private const RUNG = ['seen' => 1, 'with_help' => 2, 'has_it' => 3, 'uses_it' => 3, 'teaches_it' => 3, 'kept' => 4];

    /** @var list<array<string, mixed>> */
    public array $meetings;

    /** @var array<string, array<string, mixed>> */
    public array $learners;

    /** @var array<string, array<string, mixed>> */
    public array $badges;

    /** @var array<string, array<string, array{since: string, half: float, last: string}>> */
    private array $has = [];

    /** @var array<string, array<string, int>> by learner and deed: number of the meeting */
    private array $deeds = [];

    /** @var array<string, float> */
    private array $again = [];

    /** @var list<float> */
    private array $crowd = [];

    /** @var array<string, int> by learner: new knots met in rounds tried alone */
    private array $new = [];

    public function __construct(private readonly array $in, private readonly Library $library)
    {
        $this->meetings = array_values(array_filter($in['meetings'], static fn (array $meeting): bool => $meeting['date'] >= substr($in['now'], 0, 10)));
        usort($this->meetings, static fn (array $a, array $b): int => [$a['date'], $a['id']] <=> [$b['date'], $b['id']]);
        $this->learners = array_column($in['learners'], null, 'id');
        $this->badges = [];
        foreach ($in['badges'] as $badge) {
            $this->badges[$badge['pack']['id']] = $badge;
        }
        foreach ($this->learners as $id => $learner) {
            foreach ($learner['levels'] ?? [] as $knot => $level) {
                if (self::RUNG[$level] >= 3 && $this->library->knot($knot)->isTaught()) {
                    $memory = $learner['memories'][$knot] ?? ['half_life_days' => $library->knot($knot)->hard ? 5 : 7, 'last_day' => substr($in['now'], 0, 10)];
                    $this->has[$id][$knot] = ['since' => $memory['last_day'], 'half' => $memory['half_life_days'], 'last' => $memory['last_day']];
                }
            }
        }
    }

    /** @return ?string the first rule that is broken */
    public function broken(array $plan): ?string
    {
        if (array_column($plan['meetings'], 'id') !== array_column($this->meetings, 'id')) {
            return 'meetings by date, then id';
        }
        foreach ($plan['meetings'] as $number => $held) {
            $broken = $this->meeting($number, $held);
            if ($broken !== null) {
                return "$held[id]: $broken";
            }
        }

        return $this->pins($plan);
    }

    /** Holds one meeting, and says which rule is broken. */
    public function hold(int $number, array $held): ?string
    {
        return $this->meeting($number, $held);
    }

    /** Holds one round alone. */
    public function try(int $number, array $round): ?string
    {
        return $this->round($number, $round, $this->new);
    }

    public function holds(string $learner, string $knot): bool
    {
        return isset($this->has[$learner][$knot]);
    }

    /** All that later meetings see, but for crowding. */
    public function standing(): string
    {
        $all = [$this->has, $this->deeds, $this->again, array_map(static fn (float $one): bool => $one > 0, $this->crowd)];
        array_walk($all, self::sort(...));

        return serialize($all);
    }

    private static function sort(mixed &$value): void
    {
        if (is_array($value)) {
            ksort($value);
            array_walk($value, self::sort(...));
        } elseif (is_float($value)) {
            $value = round($value, 9);
        }
    }

    public function crowding(): float
    {
        return array_sum($this->crowd);
    }

    /** @return array<string, mixed> as `plan` writes a meeting */
    public function asHeld(int $number, array $rounds, array $old, array $rigs): array
    {
        $meeting = $this->meetings[$number];

        return [
            'id' => $meeting['id'], 'rounds' => $rounds, 'again_minutes' => $this->again[$meeting['id']] ?? 0.0,
            'old' => array_map(fn (string $knot): array => ['knot' => $knot, 'learners' => $this->having($knot, $meeting), 'minutes' => 2 + 0.25 * count($this->having($knot, $meeting)) / $meeting['checkers']], $old),
            'blocks' => array_map(fn (array $rig): array => ['rig' => $rig['id'], 'learners' => $this->here($meeting), 'minutes' => $rig['minutes']], $rigs),
        ];
    }

    /** @return array<string, mixed> as `plan` writes a round */
    public function asRound(array $stations): array
    {
        $stations = array_map(fn (array $station): array => $station + ['minutes' => $this->lesson($station['knot'], $station['learners'], $station['checkers'])], $stations);

        return ['stations' => $stations, 'minutes' => max(array_column($stations, 'minutes'))];
    }

    /** @return list<?string> of each pin, what is held for it so far */
    public function pinsIn(array $held): array
    {
        return array_map(fn (array $pin): ?string => (new self(['pins' => [$pin]] + $this->in, $this->library))->pinsBrokenIn(['meetings' => $held]), $this->in['pins'] ?? []);
    }

    public function pinsBrokenIn(array $plan): ?string
    {
        return $this->pins($plan);
    }

    private function meeting(int $number, array $held): ?string
    {
        $meeting = $this->meetings[$number];
        $c = $meeting['checkers'];
        $room = max(0, $meeting['minutes'] - ($meeting['opening'] ?? 5) - ($meeting['closing'] ?? 5));
        if (abs($held['again_minutes'] - ($this->again[$meeting['id']] ?? 0)) > 1e-6) {
            return "again_minutes $held[again_minutes], not ".($this->again[$meeting['id']] ?? 0);
        }
        // Old knots, and those that are due.
        $old = $due = 0.0;
        foreach ($held['old'] as $one) {
            $who = $this->having($one['knot'], $meeting);
            $takes = 2 + 0.25 * count($who) / $c;
            if ($who === [] || array_diff($who, $one['learners']) !== [] || count($who) !== count($one['learners']) || abs($takes - $one['minutes']) > 1e-6) {
                return "old $one[knot]";
            }
            if (! $this->mayBeTied($one['knot'], $meeting)) {
                return "old $one[knot] may not be tied";
            }
            $old += $takes;
        }
        if (count(array_unique(array_column($held['old'], 'knot'))) !== count($held['old'])) {
            return 'old knots once';
        }
        $had = [];
        foreach ($this->has as $knots) {
            $had += $knots;
        }
        foreach (array_keys($had) as $knot) {
            foreach ($this->here($meeting) as $learner) {
                $one = $this->has[$learner][$knot] ?? null;
                if ($one !== null && $this->mayBeTied($knot, $meeting) && self::chance($one, $meeting['date']) < 0.7) {
                    $due += 2 + 0.25 * count($this->having($knot, $meeting)) / $c;
                    break;
                }
            }
        }
        $floor = min(($this->in['settings']['old_share'] ?? 0.2) * $meeting['minutes'], $room, $due);
        // Rounds.
        $rounds = $unused = 0.0;
        $new = [];
        foreach ($held['rounds'] as $place => $round) {
            $broken = $this->round($number, $round, $new);
            if ($broken !== null) {
                return "round $place: $broken";
            }
            $rounds += $round['minutes'];
            $unused += ($c - array_sum(array_column($round['stations'], 'checkers'))) * $round['minutes'];
        }
        foreach ($this->here($meeting) as $learner) {
            if (($new[$learner] ?? 0) > ($this->in['settings']['new_knots'] ?? self::NEW[$this->learners[$learner]['band']])) {
                return "$learner meets too many new knots";
            }
        }
        $tries = max(0.0, min($room / 5, $room - $floor, max(0.0, $held['again_minutes'] - $unused) / $c));
        $blocks = array_sum(array_column($held['blocks'], 'minutes'));
        if ($rounds + $tries + $blocks > $room - max($floor, $old) + 1e-6) {
            return sprintf('%.3f of rounds, %.3f of tries and %.3f of rigs do not fit into %.3f less %.3f', $rounds, $tries, $blocks, $room, max($floor, $old));
        }
        foreach ($held['old'] as $one) {
            foreach ($one['learners'] as $learner) {
                $this->deeds[$learner]["again $one[knot]"] ??= $number + 1;
                if ($this->has[$learner][$one['knot']]['last'] < $meeting['date']) {
                    $this->has[$learner][$one['knot']] = ['last' => $meeting['date'], 'half' => 2.2 * $this->has[$learner][$one['knot']]['half']] + $this->has[$learner][$one['knot']];
                }
            }
        }
        foreach ($held['blocks'] as $block) {
            $rig = array_column($this->in['rigs'], null, 'id')[$block['rig']];
            if ($rig['minutes'] != $block['minutes']) {
                return "minutes of $block[rig]";
            }
            foreach ($block['learners'] as $learner) {
                foreach (array_intersect($rig['knots'], array_keys($this->has[$learner] ?? [])) as $knot) {
                    $this->deeds[$learner]["use $knot $block[rig]"] ??= $number + 1;
                }
            }
        }
        $used = $rounds + $tries + $blocks + $old;
        $this->crowd[] = $used == 0 ? 0.0 : ($room > 0 ? ($used / $room) ** 2 : 1e-12);

        return null;
    }

    private function round(int $number, array $round, array &$new): ?string
    {
        $meeting = $this->meetings[$number];
        $busy = [];
        $longest = 0.0;
        if (array_sum(array_column($round['stations'], 'checkers')) > $meeting['checkers']) {
            return 'more checkers than there are';
        }
        if (! $this->objects(array_column($round['stations'], 'knot'), $meeting['objects'] ?? null)) {
            return 'not enough to tie to';
        }
        foreach ($round['stations'] as $station) {
            $people = [...$station['learners'], ...$station['helpers']];
            $patrols = array_unique(array_filter(array_map(fn (string $id): ?string => $this->learners[$id]['patrol'] ?? null, $people), is_string(...)));
            if ($station['learners'] === [] || $station['checkers'] < 1 || array_intersect($people, $busy) !== [] || count(array_unique($people)) !== count($people) || array_diff($people, $this->here($meeting)) !== [] || count($patrols) > 1) {
                return "who is at $station[knot]";
            }
            $busy = [...$busy, ...$people];
            if (! $this->mayBeTied($station['knot'], $meeting)) {
                return "$station[knot] may not be tied";
            }
            $takes = $this->lesson($station['knot'], $station['learners'], $station['checkers']);
            if (abs($takes - $station['minutes']) > 1e-6) {
                return "$station[knot] takes $takes";
            }
            $longest = max($longest, $takes);
            foreach ($station['helpers'] as $helper) {
                if (! isset($this->has[$helper][$station['knot']])) {
                    return "$helper helps with what they lack";
                }
            }
            foreach ($station['learners'] as $learner) {
                $lacks = array_diff($this->library->knot($station['knot'])->prerequisites, array_keys($this->has[$learner] ?? []));
                if (isset($this->has[$learner][$station['knot']]) || $lacks !== []) {
                    return "$learner is not ready for $station[knot]";
                }
                if ($station['helpers'] === [] && ! $this->needs($learner, $station['knot'])) {
                    return "$learner does not need $station[knot]";
                }
            }
        }
        if (abs($longest - $round['minutes']) > 1e-6) {
            return "takes $longest";
        }
        foreach ($round['stations'] as $station) {
            foreach ($station['helpers'] as $helper) {
                $this->deeds[$helper]["help $station[knot]"] ??= $number + 1;
            }
            foreach ($station['learners'] as $learner) {
                $knot = $this->library->knot($station['knot']);
                $this->has[$learner][$knot->id] = ['since' => $meeting['date'], 'half' => $knot->hard ? 5.0 : 7.0, 'last' => $meeting['date']];
                $this->deeds[$learner]["has $knot->id"] = $number + 1;
                if (! isset($this->learners[$learner]['levels'][$knot->id])) {
                    $new[$learner] = ($new[$learner] ?? 0) + 1;
                }
                foreach (array_slice($this->meetings, $number + 1) as $next) {
                    if (in_array($learner, $this->here($next), true)) {
                        $this->again[$next['id']] = ($this->again[$next['id']] ?? 0.0) + (1 - ($this->in['settings']['pass_rates'][$knot->id] ?? 0.7)) * (0.5 + 0.25 * $knot->minutes);
                        break;
                    }
                }
            }
        }

        return null;
    }

    public function lesson(string $knot, array $learners, int $checkers): float
    {
        $known = array_filter($learners, fn (string $id): bool => ! isset($this->learners[$id]['levels'][$knot])) === [];
        $age = max(array_map(fn (string $id): float => self::AGE[$this->learners[$id]['band']], $learners));

        return $this->library->knot($knot)->minutes * ($known ? 0.25 : 1) * $age * ($this->in['settings']['factor'] ?? 1) * (1 + 0.02 * max(0, count($learners) - 8)) + 0.5 * count($learners) / $checkers;
    }

    /** @return list<string> */
    public function here(array $meeting): array
    {
        return array_values(array_filter(array_map(strval(...), array_keys($this->learners)), fn (string $id): bool => ! in_array($meeting['id'], $this->learners[$id]['away'] ?? [], true)));
    }

    /** @return list<string> */
    private function having(string $knot, array $meeting): array
    {
        return array_values(array_filter($this->here($meeting), fn (string $id): bool => isset($this->has[$id][$knot]) && $this->has[$id][$knot]['since'] < $meeting['date']));
    }

    private static function chance(array $memory, string $day): float
    {
        return 2 ** (-max(0, (strtotime("$day UTC") - strtotime("$memory[last] UTC")) / 86400) / $memory['half']);
    }

    private function mayBeTied(string $knot, array $meeting): bool
    {
        foreach ($this->in['bans'] ?? [] as $ban) {
            if (in_array($ban['what'], [$knot, $this->library->knot($knot)->family->value], true) && in_array($ban['meeting'], [null, $meeting['id']], true)) {
                return false;
            }
        }

        return $this->objects([$knot], $meeting['objects'] ?? null);
    }

    /** @param  list<string>  $knots side by side */
    private function objects(array $knots, ?array $there): bool
    {
        if ($there === null || $knots === []) {
            return true;
        }
        $there = array_is_list($there) ? array_fill_keys($there, PHP_INT_MAX) : $there;
        foreach ($this->library->knot(array_shift($knots))->methods as $method) {
            $kinds = array_unique(array_map(static fn ($strand): string => $strand->kind->value, array_filter($method->strands, static fn ($strand): bool => ! in_array($strand->kind->value, ['rope', 'tape'], true))));
            $left = $there;
            foreach ($kinds as $kind) {
                $left[$kind] = ($left[$kind] ?? 0) - 1;
            }
            if (array_filter($left, static fn (int $count): bool => $count < 0) === [] && $this->objects($knots, $left)) {
                return true;
            }
        }

        return false;
    }

    /** An open leaf as the input has it, something that comes before one, or a pin. */
    private function needs(string $learner, string $knot): bool
    {
        foreach ($this->in['pins'] ?? [] as $pin) {
            if ($pin['knot'] === $knot && $pin['meeting'] !== null && in_array($learner, $pin['learners'] ?? [$learner], true)) {
                return true;
            }
        }
        $wanted = [];
        foreach ($this->learners[$learner]['badges'] as $badge) {
            foreach (self::leaves($this->badges[$badge]['pack']['requirement']) as $leaf) {
                if (! $this->metAtStart($learner, $leaf)) {
                    $wanted[] = $leaf['knot'];
                }
            }
        }
        for ($place = 0; $place < count($wanted); $place++) {
            $level = $this->learners[$learner]['levels'][$wanted[$place]] ?? 'seen';
            array_push($wanted, ...(self::RUNG[$level] >= 3 ? [] : $this->library->knot($wanted[$place])->prerequisites));
        }

        return in_array($knot, $wanted, true);
    }

    private function pins(array $plan): ?string
    {
        foreach ($this->in['pins'] ?? [] as $pin) {
            $held = false;
            foreach ($plan['meetings'] as $meeting) {
                foreach ($meeting['rounds'] as $round) {
                    foreach ($round['stations'] as $station) {
                        $who = $station['knot'] === $pin['knot'] ? array_intersect($station['learners'], $pin['learners'] ?? $station['learners']) : [];
                        if ($who !== [] && ($pin['meeting'] === null || ! $held && $meeting['id'] !== $pin['meeting'])) {
                            return "$pin[knot] is pinned to $pin[meeting]";
                        }
                        $held = $held || $who !== [];
                    }
                }
            }
            if ($pin['meeting'] !== null && ! $held) {
                return "$pin[knot] is not there";
            }
        }

        return null;
    }

    /** @return list<array{knot: string, level: string}> */
    private static function leaves(array $requirement): array
    {
        return isset($requirement['knot']) ? [$requirement + ['level' => 'has_it']] : array_merge([], ...array_map(self::leaves(...), $requirement['all'] ?? $requirement['of'] ?? []));
    }

    private function metAtStart(string $learner, array $leaf): bool
    {
        $level = $this->learners[$learner]['levels'][$leaf['knot']] ?? null;

        return $level !== null && (in_array($leaf['level'], ['uses_it', 'teaches_it'], true) ? $level === $leaf['level'] : self::RUNG[$level] >= self::RUNG[$leaf['level']]);
    }

    /** The number of the meeting that meets a leaf; 0 before all, INF. */
    private function when(string $learner, array $leaf): float
    {
        if ($this->metAtStart($learner, $leaf)) {
            return 0;
        }
        $knot = $leaf['knot'];
        $deeds = $this->deeds[$learner] ?? [];
        $use = array_filter($deeds, static fn (string $deed): bool => str_starts_with($deed, "use $knot ") && (! isset($leaf['in']) || $deed === "use $knot $leaf[in]"), ARRAY_FILTER_USE_KEY);
        $has = $deeds["has $knot"] ?? (isset($this->has[$learner][$knot]) ? 0 : INF);

        return match ($leaf['level']) {
            'kept' => $deeds["again $knot"] ?? INF,
            'teaches_it' => $deeds["help $knot"] ?? INF,
            'uses_it' => ($this->in['rigs'] ?? []) === [] ? $has : min([INF, ...array_values($use)]),
            default => $has,
        };
    }

    /** @return array{float, float} fewest missing by a meeting, and when the soonest way is complete */
    private function tree(string $learner, array $requirement, float $by): array
    {
        if (isset($requirement['knot'])) {
            $when = $this->when($learner, $requirement + ['level' => 'has_it']);

            return [$when <= $by ? 0 : 1, $when];
        }
        $parts = $requirement['all'] ?? $requirement['of'] ?? null;
        if ($parts === null) {
            return [0, 0];
        }
        $each = array_map(fn (array $part): array => $this->tree($learner, $part, $by), $parts);
        $needed = $requirement['choose'] ?? count($parts);
        $missing = array_column($each, 0);
        $when = array_column($each, 1);
        sort($missing);
        sort($when);

        return [array_sum(array_slice($missing, 0, $needed)), $when[$needed - 1]];
    }

    /** @return array{int, int, float, float} of the plan replayed last */
    public function terms(): array
    {
        $unmet = $completion = 0;
        $counted = [];
        foreach ($this->learners as $id => $learner) {
            foreach ($learner['badges'] as $badge) {
                $by = $this->lastInTime($this->badges[$badge]);
                [$missing, $when] = $this->tree((string) $id, $this->badges[$badge]['pack']['requirement'], $by);
                $unmet += $missing;
                if ($when <= $by) {
                    foreach ($this->before($badge, $learner['badges'], []) as $other) {
                        $when = max($when, $this->tree((string) $id, $this->badges[$other]['pack']['requirement'], INF)[1]);
                    }
                } else {
                    $when = INF;
                }
                $completion += min($when, count($this->meetings) + 1);
                foreach (self::leaves($this->badges[$badge]['pack']['requirement']) as $leaf) {
                    if ($this->when((string) $id, $leaf) < INF && isset($this->has[$id][$leaf['knot']])) {
                        $counted[$id][$leaf['knot']] = 1 - self::chance($this->has[$id][$leaf['knot']], $this->horizon());
                    }
                }
            }
        }
        $used = array_keys(array_filter($this->crowd));
        $gaps = $used === [] ? 0 : max($used) - min($used) + 1 - count($used);

        return [$unmet, $completion, round(array_sum(array_map(array_sum(...), $counted)), 1), round(array_sum($this->crowd) + $gaps, 3)];
    }

    /** @return list<string> */
    private function before(string $badge, array $pursued, array $known): array
    {
        foreach ($this->badges[$badge]['pack']['after'] ?? [] as $other) {
            if (in_array($other, $pursued, true) && ! in_array($other, $known, true)) {
                $known = $this->before($other, $pursued, [...$known, $other]);
            }
        }

        return $known;
    }

    private function lastInTime(array $badge): int
    {
        $due = ($badge['firm'] ?? true) ? $badge['due_on'] ?? '9999' : '9999';

        return count(array_filter($this->meetings, static fn (array $meeting): bool => $meeting['date'] <= $due));
    }

    private function horizon(): string
    {
        $last = $this->meetings === [] ? substr($this->in['now'], 0, 10) : max(array_column($this->meetings, 'date'));
        $dates = array_filter(array_map(static fn (array $badge): ?string => $badge['due_on'] ?? null, $this->in['badges']));

        return max([date('Y-m-d', (int) strtotime("$last UTC +28 days")), ...array_values($dates)]);
    }
}
