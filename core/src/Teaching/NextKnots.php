<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;

/**
 * What a learner may learn next: knots they have not yet, of which they have everything that comes before.
 */
final class NextKnots
{
    /**
     * @param  array<string, Level>  $levels by knot
     * @return list<string> the quickest first
     */
    public static function of(Library $library, array $levels): array
    {
        $has = static fn (string $knot): bool => isset($levels[$knot]) && $levels[$knot]->rung() >= Level::HasIt->rung();
        $next = array_filter($library->all(), static fn (KnotPack $knot): bool => $knot->isTaught() && ! $has($knot->id)
            && array_filter($knot->prerequisites, static fn (string $before): bool => ! $has($before)) === []);
        uasort($next, static fn (KnotPack $a, KnotPack $b): int => [$a->minutes, $a->id] <=> [$b->minutes, $b->id]);

        return array_keys($next);
    }
}
