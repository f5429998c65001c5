<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Overlay;
use Compadre\Core\Words\Saying;

/**
 * The badges of a folder of packs, and those a group has made of its own, each in all its versions.
 */
final readonly class BadgeShelf
{
    /** @param  array<string, array<int, BadgePack>>  $badges  by id and version */
    private function __construct(private array $badges)
    {
    }

    /** @param  ?Overlay  $over  the texts in another language; null: in English */
    public static function at(string $folder, ?Overlay $over = null): self
    {
        $badges = [];
        foreach (glob($folder.'/badges/*.json') ?: [] as $file) {
            $badge = BadgePack::from(($over ?? Overlay::none())->read('badges', $file));
            $badges[basename($file, '.json')][$badge->version] = $badge;
        }

        return new self($badges);
    }

    /** @param  list<BadgePack>  $own  in any order */
    public function with(array $own): self
    {
        $badges = $this->badges;
        foreach ($own as $badge) {
            $badges[$badge->id][$badge->version] = $badge;
        }
        ksort($badges);

        return new self($badges);
    }

    /** @return array<string, BadgePack> each in its latest version, those for the youngest first */
    public function all(): array
    {
        $latest = array_map(static fn (array $versions): BadgePack => $versions[max([0, ...array_keys($versions)])], $this->badges);
        uasort($latest, static fn (BadgePack $a, BadgePack $b): int => [$a->ageFrom, $a->ageTo, $a->id] <=> [$b->ageFrom, $b->ageTo, $b->id]);

        return $latest;
    }

    /**
     * Those that a group may begin with.
     *
     * @param  bool  $scenario  whether the sample scenario is played here
     * @param  list<string>  $chosen  badges it works toward already
     * @return array<string, BadgePack>
     */
    public function offered(bool $scenario, array $chosen = []): array
    {
        return array_filter($this->all(), static fn (BadgePack $badge): bool => $scenario || ! $badge->scenario || in_array($badge->id, $chosen, true));
    }

    public function has(string $id): bool
    {
        return isset($this->badges[$id]);
    }

    /** The latest version. */
    public function badge(string $id, string $field = '/badge'): BadgePack
    {
        return $this->all()[$id] ?? throw Refusal::of($field, $id, 'any.one_of', ['list' => array_keys($this->badges)]);
    }

    /** The version a learner began with; the latest, where that one is no longer there. */
    public function inVersion(string $id, int $version): ?BadgePack
    {
        return $this->exactly($id, $version) ?? (isset($this->badges[$id]) ? $this->badge($id) : null);
    }

    /** That version and no other; null where it is no longer there. */
    public function exactly(string $id, int $version): ?BadgePack
    {
        return $this->badges[$id][$version] ?? null;
    }

    /**
     * What does not hold together in a badge: knots nobody knows or that are not taught, ages the wrong way round,
     * badges that each come before the other.
     *
     * @return list<Saying>
     */
    public function faults(BadgePack $badge, Library $knots): array
    {
        $faults = [];
        if ($badge->ageFrom > $badge->ageTo) {
            $faults[] = new Saying('teaching.badge_ages', ['from' => $badge->ageFrom, 'to' => $badge->ageTo]);
        }
        foreach ($badge->knots() as $knot) {
            if (! $knots->has($knot)) {
                $faults[] = new Saying('teaching.badge_knot', ['knot' => $knot]);
            } elseif (! $knots->knot($knot)->isTaught()) {
                $faults[] = new Saying('teaching.badge_not_taught', ['knot' => $knots->knot($knot)->names[0]]);
            }
        }
        foreach ($badge->after as $first) {
            if (! $this->has($first)) {
                $faults[] = new Saying('teaching.badge_after', ['badge' => $first]);
            }
        }
        $circle = $this->with([$badge])->wayBack($badge->id, $badge->id, []);
        if ($circle !== null) {
            $faults[] = new Saying('teaching.badge_circle', ['badges' => $circle]);
        }

        return $faults;
    }

    /** @throws Refusal with all that does not hold together in a badge */
    public function hold(BadgePack $badge, Library $knots): void
    {
        $faults = $this->faults($badge, $knots);
        if ($faults !== []) {
            throw Refusal::of('/requirement', $badge->id, 'teaching.badge_faults', ['faults' => Saying::sentences($faults)]);
        }
    }

    /** @param  array<string, mixed>  $schema */
    public function verify(string $folder, array $schema, Library $knots): void
    {
        foreach ($this->all() as $id => $badge) {
            Schema::hold(Json::file("$folder/badges/$id.json"), $schema);
            if ($badge->id !== $id) {
                throw Refusal::of('/id', $badge->id, 'data.file_name', ['name' => $id]);
            }
            foreach ($badge->knots() as $knot) {
                $knots->knot($knot, "badge $id, knot");
            }
            $this->hold($badge, $knots);
        }
    }

    /**
     * @param  list<string>  $way
     * @return ?list<string> the badges on the way from one back to itself
     */
    private function wayBack(string $from, string $to, array $way): ?array
    {
        foreach ($this->has($from) ? $this->badge($from)->after : [] as $before) {
            if ($before === $to) {
                return [...$way, $from];
            }
            $found = in_array($before, $way, true) ? null : $this->wayBack($before, $to, [...$way, $from]);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}
