<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * The smooth curve through written waypoints: a cubic spline whose slope and curvature are continuous, with natural
 * ends (closed strands: periodic), over the square root of the distances between waypoints. That spacing keeps
 * close waypoints from throwing loops (Lee, "Choosing nodes in parametric curve interpolation", 1989).
 */
final class Spline
{
    /** @param  list<Point>  $points two or more, no two in a row the same */
    public static function through(array $points, bool $closed = false): Curve
    {
        if (count($points) < 2) {
            throw Refusal::of('/points', count($points), 'knots.waypoints');
        }
        if ($closed) {
            // A periodic spline, closely enough: the ends overlap by a few waypoints that are then cut away.
            $lap = min(4, count($points));
            $n = count($points);
            $wide = [...array_slice($points, -$lap), ...$points, ...array_slice($points, 0, $lap + 1)];

            return new Curve(array_slice(self::pieces($wide), $lap, $n), true);
        }

        return new Curve(self::pieces($points), false);
    }

    /**
     * @param  list<Point>  $points
     * @return list<Cubic>
     */
    private static function pieces(array $points): array
    {
        $steps = [];
        for ($i = 0; $i < count($points) - 1; $i++) {
            $distance = $points[$i]->distance($points[$i + 1]);
            $steps[] = $distance > 1e-9 ? sqrt($distance) : throw Refusal::of('/points/'.($i + 1), [$points[$i + 1]->x, $points[$i + 1]->y], 'knots.waypoint_apart');
        }
        $dx = self::slopes(array_map(static fn (Point $p): float => $p->x, $points), $steps);
        $dy = self::slopes(array_map(static fn (Point $p): float => $p->y, $points), $steps);
        $cubics = [];
        foreach ($steps as $i => $step) {
            $from = $points[$i];
            $to = $points[$i + 1];
            $cubics[] = new Cubic(
                $from,
                new Point($from->x + $dx[$i] * $step / 3, $from->y + $dy[$i] * $step / 3),
                new Point($to->x - $dx[$i + 1] * $step / 3, $to->y - $dy[$i + 1] * $step / 3),
                $to,
            );
        }

        return $cubics;
    }

    /**
     * The slope at each knot of the natural cubic spline, from its tridiagonal system (Thomas algorithm).
     *
     * @param  list<float>  $values
     * @param  list<float>  $steps
     * @return list<float>
     */
    private static function slopes(array $values, array $steps): array
    {
        $n = count($values);
        $upper = [];
        $right = [];
        for ($i = 0; $i < $n; $i++) {
            $before = $i > 0 ? 1 / $steps[$i - 1] : 0.0;
            $after = $i < $n - 1 ? 1 / $steps[$i] : 0.0;
            $diagonal = 2 * ($before + $after);
            $target = 3 * (($i > 0 ? ($values[$i] - $values[$i - 1]) * $before * $before : 0.0)
                + ($i < $n - 1 ? ($values[$i + 1] - $values[$i]) * $after * $after : 0.0));
            $pivot = $diagonal - ($i > 0 ? $before * $upper[$i - 1] : 0.0);
            $upper[$i] = $after / $pivot;
            $right[$i] = ($target - ($i > 0 ? $before * $right[$i - 1] : 0.0)) / $pivot;
        }
        $slopes = array_fill(0, $n, 0.0);
        for ($i = $n - 1; $i >= 0; $i--) {
            $slopes[$i] = $right[$i] - ($i < $n - 1 ? $upper[$i] * $slopes[$i + 1] : 0.0);
        }

        return array_values($slopes);
    }
}
