<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * A knot tied right and not dressed: its loose drawing, bent as a careless hand leaves it. The whole plane is warped by a
 * smooth wave, so that every crossing stays, in its order and with the same strand on top; where a wave is too much for a
 * drawing, a flatter one is tried.
 */
final class Untidy
{
    /** Heights of the wave in rope widths, the most careless first. */
    private const HEIGHTS = [1.7, 1.35, 1.0, 0.7, 0.45];

    /** Of the wave, in rope widths. */
    private const LENGTH = 11.0;

    /** @return ?Diagram null where even the flattest wave would change a crossing */
    public static function of(Method $method, string $file = ''): ?Diagram
    {
        $words = self::crossings(DiagramBuilder::loose($method, $file));
        foreach (self::HEIGHTS as $height) {
            try {
                $bent = DiagramBuilder::loose(self::bent($method, $height), $file);
                PaintOrder::of($bent);
            } catch (Refusal) {
                // A crossing has gone or come, or it cannot be drawn: too careless to be shown.
                continue;
            }
            if (self::crossings($bent) === $words) {
                return $bent;
            }
        }

        return null;
    }

    private static function bent(Method $method, float $height): Method
    {
        foreach ($method->strands as $number => $strand) {
            if (! $strand->kind->isRope()) {
                continue;
            }
            foreach ($strand->points as $waypoint => $point) {
                $method = $method->moved($number, $waypoint, self::wave($point, $height), false);
            }
        }

        return $method;
    }

    private static function wave(Point $at, float $height): Point
    {
        $turn = 2 * M_PI / self::LENGTH;

        return new Point(
            $height * (sin($turn * $at->y + 0.6) + 0.35 * sin(2.1 * $turn * $at->x)),
            $height * (0.8 * sin($turn * $at->x + 2.1) + 0.3 * sin(1.7 * $turn * $at->y)),
        );
    }

    /** @return list<list<array{int, bool}>> for each strand, in order of travel: the crossing and whether it is on top */
    private static function crossings(Diagram $diagram): array
    {
        $orders = [];
        foreach (array_keys($diagram->strands) as $number) {
            $orders[] = array_map(static fn (Visit $visit): array => [$visit->crossing, $visit->over], $diagram->visits($number));
        }
        // Crossings are numbered as they are found; here they are named by the first strand and place that meets them.
        $names = [];
        foreach ($orders as $order) {
            foreach ($order as [$crossing]) {
                $names[$crossing] ??= count($names);
            }
        }

        return array_map(static fn (array $order): array => array_map(static fn (array $visit): array => [$names[$visit[0]], $visit[1]], $order), $orders);
    }
}
