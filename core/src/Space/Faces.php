<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\Point;

/**
 * The places in a drawing that are shut in: by ropes, and by what they are tied to.
 */
final readonly class Faces
{
    /** Places are looked at so far apart. */
    private const STEP = 0.4;

    /** What comes nearer to a middle line lies under the rope. */
    private const UNDER = 0.5;

    /** So many places are looked at around the drawing. */
    private const AROUND = 2;

    /**
     * In each, the place furthest from everything around it.
     *
     * @return list<array{Point, float}> the place, and how far it is from the nearest middle line of a rope or side of an object; the
     *                                   widest first
     */
    public static function of(Diagram $diagram): array
    {
        [$left, $top, $width, $height] = $diagram->box();
        $columns = (int) ceil($width / self::STEP) + 2 * self::AROUND;
        $rows = (int) ceil($height / self::STEP) + 2 * self::AROUND;
        $clear = [];
        for ($row = 0; $row < $rows; $row++) {
            for ($column = 0; $column < $columns; $column++) {
                $clear[] = self::clear($diagram, new Point($left + ($column - self::AROUND) * self::STEP, $top + ($row - self::AROUND) * self::STEP));
            }
        }
        $seen = [];
        $faces = [];
        foreach ($clear as $cell => $far) {
            if ($far > self::UNDER && ! isset($seen[$cell])) {
                $cells = self::joined($clear, $cell, $columns, $seen);
                $best = $cell;
                foreach ($cells as $one) {
                    $best = $clear[$one] > $clear[$best] || ($clear[$one] === $clear[$best] && $one < $best) ? $one : $best;
                }
                // What is joined with the first place of all lies around the drawing.
                if ($cell !== 0) {
                    $faces[] = [new Point($left + ($best % $columns - self::AROUND) * self::STEP, $top + (intdiv($best, $columns) - self::AROUND) * self::STEP), $clear[$best]];
                }
            }
        }
        usort($faces, static fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return $faces;
    }

    private static function clear(Diagram $diagram, Point $place): float
    {
        $clear = INF;
        foreach ($diagram->strands as $strand) {
            $side = $strand->kind->isRope() ? 0.0 : $strand->width / 2;
            foreach ($strand->curve->points as $point) {
                $clear = min($clear, $point->distance($place) - $side);
            }
        }

        return $clear;
    }

    /**
     * @param  list<float>  $clear  of each place, row after row
     * @param  array<int, true>  $seen
     * @return list<int> the places that one comes to from a first without going under a rope
     */
    private static function joined(array $clear, int $first, int $columns, array &$seen): array
    {
        $rows = intdiv(count($clear), $columns);
        $cells = [];
        $todo = [$first];
        $seen[$first] = true;
        while ($todo !== []) {
            $cell = array_pop($todo);
            $cells[] = $cell;
            foreach ([[-1, 0], [1, 0], [0, -1], [0, 1]] as [$down, $right]) {
                $row = intdiv($cell, $columns) + $down;
                $column = $cell % $columns + $right;
                $next = $row * $columns + $column;
                if ($row >= 0 && $row < $rows && $column >= 0 && $column < $columns && ! isset($seen[$next]) && $clear[$next] > self::UNDER) {
                    $seen[$next] = true;
                    $todo[] = $next;
                }
            }
        }

        return $cells;
    }
}
