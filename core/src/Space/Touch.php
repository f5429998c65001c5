<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * What happens to ropes where they touch, in each round of being drawn up: after they were pulled, and before they are moved apart.
 */
interface Touch
{
    /**
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $was  x, y and z of the points before the round
     * @param  array{list<int>, list<int>}  $pairs  points of different places that lie near each other
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    public function move(array $was, array $pairs, array &$x, array &$y, array &$z): void;
}
