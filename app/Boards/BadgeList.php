<?php

declare(strict_types=1);

namespace App\Boards;

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
        ], $this->shelf->all()));
    }
}
