<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * What holds a loop or a bight open: an endless straight thing through it, from above the drawing to below. It is added where
 * a knot is judged and never drawn. Tilted into the plane it lies over everything on one side of the loop and under everything
 * on the other.
 */
final class Skewer
{
    /** Directions tried, in degrees, until one passes clear of all crossings. */
    private const DIRECTIONS = [17, 49, 83, 113, 151, 5, 31, 67, 97, 131, 167];

    /** @param  list<Point>  $places one in each loop that is held */
    public static function through(Diagram $diagram, array $places): Diagram
    {
        foreach ($places as $place) {
            $best = null;
            $clear = -1.0;
            foreach (self::DIRECTIONS as $degrees) {
                $tried = self::added($diagram, $place, deg2rad($degrees));
                $least = self::clearance($tried);
                if ($least > $clear) {
                    [$best, $clear] = [$tried, $least];
                }
            }
            $diagram = $best ?? $diagram;
        }

        return $diagram;
    }

    private static function added(Diagram $diagram, Point $place, float $angle): Diagram
    {
        $far = new Point(1000 * cos($angle), 1000 * sin($angle));
        $line = new Strand('held-'.count($diagram->strands), StrandKind::Toggle, Spline::through([$place->minus($far), $place, $place->plus($far)]), 0.0, '');
        $number = count($diagram->strands);
        $strands = [...$diagram->strands, $line];
        $middle = $line->curve->lengthAt(1.0);
        $crossings = $diagram->crossings;
        foreach (CrossingFinder::between(array_map(static fn (Strand $strand): Curve => $strand->curve, $strands), $number) as $meeting) {
            $crossings[] = DiagramBuilder::crossing($strands, $meeting, ($meeting->secondAt < $middle) === ($meeting->second !== $number));
        }

        return new Diagram($strands, $crossings);
    }

    /** How clear the new line is of trouble: the least angle, or the least distance to an old crossing, whichever is worse. */
    private static function clearance(Diagram $diagram): float
    {
        $number = count($diagram->strands) - 1;
        $least = INF;
        $new = [];
        $old = [];
        foreach ($diagram->crossings as $crossing) {
            if ($crossing->over === $number || $crossing->under === $number) {
                $new[] = $crossing;
            } else {
                $old[] = $crossing;
            }
        }
        foreach ($new as $crossing) {
            $least = min($least, sin($crossing->angle) * 2);
            foreach ($old as $other) {
                $least = min($least, $crossing->at->distance($other->at));
            }
        }

        return $least;
    }
}
