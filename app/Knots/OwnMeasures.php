<?php

declare(strict_types=1);

namespace App\Knots;

use App\Models\Group;
use App\Models\Measure;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Calibration;

/**
 * What a group has measured of its knots, for everything that reckons with rope.
 */
final readonly class OwnMeasures
{
    public function __construct(private Library $library)
    {
    }

    /** @return array<string, Calibration> by knot; a measure that no longer fits its pack is left out */
    public function of(Group $group): array
    {
        $factors = [];
        foreach ($group->measures()->get() as $measure) {
            $factor = $this->library->has($measure->knot) ? $this->factor($measure) : null;
            if ($factor !== null) {
                $factors[$measure->knot][] = $factor;
            }
        }
        $own = [];
        foreach ($factors as $knot => $measures) {
            $own[$knot] = Calibration::of($this->library->knot($knot), $measures);
        }

        return $own;
    }

    private function factor(Measure $measure): ?float
    {
        try {
            return $measure->factor($this->library->knot($measure->knot));
        } catch (Refusal) {
            return null;
        }
    }
}
