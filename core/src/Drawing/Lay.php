<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

/**
 * How a rope is made, as it shows on its surface: three strands laid round each other, or a braid.
 */
enum Lay: string
{
    case Laid = 'laid';
    case Braided = 'braided';

    /** @return list<array{float, float}> for each line round the rope its turns in one diameter of length, and where it begins, in turns */
    public function lines(): array
    {
        if ($this === self::Laid) {
            // A laid rope's strand goes round once in about three and a half diameters.
            return array_map(static fn (int $k): array => [1 / 3.5, $k / 3], [0, 1, 2]);
        }
        $lines = [];
        foreach ([0, 1, 2, 3, 4, 5] as $k) {
            $lines[] = [1 / 3.0, $k / 6];
            $lines[] = [-1 / 3.0, $k / 6];
        }

        return $lines;
    }
}
