<?php

declare(strict_types=1);

namespace App\House\Badges;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;

/**
 * The badges there are packs for.
 */
final readonly class BadgeList
{
    public function __construct(private BadgeShelf $shelf, private Library $library)
    {
    }

    /** @return list<array<string, mixed>> */
    public function all(): array
    {
        return array_values(array_map(fn (BadgePack $badge): array => [
            'id' => $badge->id, 'name' => $badge->name, 'about' => $badge->about, 'age_from' => $badge->ageFrom, 'age_to' => $badge->ageTo,
            'knots' => array_map(fn (string $knot): string => $this->library->knot($knot)->names[0], $badge->knots()),
        ], $this->shelf->offered(config()->string('app.house') !== 'group')));
    }

    /** @return list<array{id: string, name: string, family: string}> the knots that a badge may ask for */
    public function knots(): array
    {
        return array_values(array_map(static fn (KnotPack $knot): array => ['id' => $knot->id, 'name' => $knot->names[0], 'family' => $knot->family->value], array_filter($this->library->all(), static fn (KnotPack $knot): bool => $knot->isTaught())));
    }
}
