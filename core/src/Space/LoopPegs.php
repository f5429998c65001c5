<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\StrandKind;

/**
 * Something upright in each loop, that holds it open while the knot is drawn up.
 */
final class LoopPegs
{
    /** At most so thick. */
    private const PEG = 1.6;

    /** Above the drawing and below it. */
    private const TALL = 12.0;

    /**
     * @param  bool  $hasLoop  whether it has a loop that stays open, with nothing of its own in it
     * @return list<Solid>
     */
    public static function of(Diagram $diagram, Method $method, bool $hasLoop): array
    {
        $places = $method->holds();
        if ($places === [] && $hasLoop) {
            // Where a loop is widest.
            $places = array_slice(array_column(Faces::of($diagram), 0), 0, 1);
        }
        $pegs = [];
        foreach ($places as $place) {
            $clear = INF;
            foreach ($diagram->strands as $strand) {
                foreach ($strand->curve->points as $point) {
                    $clear = min($clear, $point->distance($place));
                }
            }
            $pegs[] = self::at($place, max(0.2, min(self::PEG, $clear - 0.7)));
        }

        return $pegs;
    }

    public static function at(Point $place, float $radius): Solid
    {
        return new Solid(StrandKind::Peg, [$place->x, -$place->y, -self::TALL], [$place->x, -$place->y, self::TALL], $radius);
    }
}
