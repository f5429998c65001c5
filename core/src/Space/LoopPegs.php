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

    /**
     * @param  bool  $hasLoop  whether it has a loop that stays open, with nothing of its own in it
     * @return list<Solid>
     */
    public static function of(Diagram $diagram, Method $method, bool $hasLoop): array
    {
        $places = $method->holds();
        if ($places === [] && $hasLoop) {
            $places = self::widest($diagram);
        }
        $pegs = [];
        foreach ($places as $place) {
            $clear = INF;
            foreach ($diagram->strands as $strand) {
                foreach ($strand->curve->points as $point) {
                    $clear = min($clear, $point->distance($place));
                }
            }
            $radius = max(0.2, min(self::PEG, $clear - 0.7));
            $pegs[] = new Solid(StrandKind::Peg, [$place->x, -$place->y, -12.0], [$place->x, -$place->y, 12.0], $radius);
        }

        return $pegs;
    }

    /**
     * The place in the drawing that is shut in by rope and furthest from all of it: where a loop is widest.
     *
     * @return list<Point>
     */
    private static function widest(Diagram $diagram): array
    {
        [$left, $top, $width, $height] = $diagram->box();
        $step = 0.4;
        $columns = (int) ceil($width / $step) + 4;
        $rows = (int) ceil($height / $step) + 4;
        $clear = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $place = new Point($left + ($column - 2) * $step, $top + ($row - 2) * $step);
                $least = INF;
                foreach ($diagram->strands as $strand) {
                    foreach ($strand->curve->points as $point) {
                        $least = min($least, ($point->x - $place->x) ** 2 + ($point->y - $place->y) ** 2);
                    }
                }
                $clear[$row * $columns + $column] = sqrt($least);
            }
        }
        $reached = [0 => true];
        $todo = [0];
        while ($todo !== []) {
            $cell = array_pop($todo);
            foreach ([[-1, 0], [1, 0], [0, -1], [0, 1]] as [$down, $right]) {
                $row = intdiv($cell, $columns) + $down;
                $column = $cell % $columns + $right;
                $next = $row * $columns + $column;
                if ($row >= 0 && $row < $rows && $column >= 0 && $column < $columns && ! isset($reached[$next]) && $clear[$next] > 0.5) {
                    $reached[$next] = true;
                    $todo[] = $next;
                }
            }
        }
        $best = null;
        foreach ($clear as $cell => $far) {
            if (! isset($reached[$cell]) && ($best === null || $far > $clear[$best])) {
                $best = $cell;
            }
        }

        return $best === null ? [] : [new Point($left + ($best % $columns - 2) * $step, $top + (intdiv($best, $columns) - 2) * $step)];
    }
}
