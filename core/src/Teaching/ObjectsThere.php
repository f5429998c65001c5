<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StrandPlan;

/**
 * What knots are tied to, and whether what stands there is enough for them.
 */
final class ObjectsThere
{
    /** @return list<list<string>> by method: the kinds of object; a tape is rope */
    public static function tiedTo(KnotPack $knot): array
    {
        return array_map(static fn (Method $method): array => array_values(array_unique(array_map(
            static fn (StrandPlan $strand): string => $strand->kind->value,
            array_filter($method->strands, static fn (StrandPlan $strand): bool => ! $strand->kind->isRope()),
        ))), $knot->methods);
    }

    /**
     * Whether each knot can have one of each kind that a method of it is tied to, side by side.
     *
     * @param  list<list<list<string>>>  $knots  by knot and method
     * @param  array<string, ?int>  $left  by kind; null: as many as are wanted
     */
    public static function areEnough(array $knots, array $left): bool
    {
        $methods = array_shift($knots);
        foreach ($methods ?? [] as $kinds) {
            $after = $left;
            foreach ($kinds as $kind) {
                if (! array_key_exists($kind, $after) || $after[$kind] === 0) {
                    continue 2;
                }
                $after[$kind] = $after[$kind] === null ? null : $after[$kind] - 1;
            }
            if (self::areEnough($knots, $after)) {
                return true;
            }
        }

        return $methods === null;
    }
}
