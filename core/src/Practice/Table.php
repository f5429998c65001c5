<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;

/**
 * What lies on the table before a knot is drawn on it: what the rope is tied to, where each rope begins, and a finger where a loop has
 * to be held open.
 */
final class Table
{
    /** Objects are handed out as points so many rope widths apart. */
    private const APART = 1.0;

    /**
     * @return array{strands: list<array{id: string, kind: string, width: float, rope: bool, points: list<array{float, float}>, held: ?array{float, float}}>}
     *     a rope has one point, where it begins; what holds a loop goes through `held`, over everything before it and under everything
     *     after it
     */
    public static function of(KnotPack $knot, Method $method, View $view): array
    {
        $diagram = KnotIndex::diagram($knot, $method);
        $holds = $method->holds();
        $drawn = count($diagram->strands) - count($holds);
        $strands = [];
        foreach ($diagram->strands as $number => $strand) {
            $hold = $number >= $drawn ? $holds[$number - $drawn] : null;
            $points = match (true) {
                $hold !== null => [$strand->curve->pointAt(0.0), $hold, $strand->curve->pointAt($strand->curve->length())],
                $strand->kind->isRope() => [$strand->curve->pointAt(0.0)],
                default => self::points($strand),
            };
            $strands[] = [
                'id' => $strand->id, 'kind' => $strand->kind->value, 'width' => $strand->width, 'rope' => $strand->kind->isRope(),
                'points' => array_map(static fn (Point $point): array => self::seen($point, $view), $points), 'held' => $hold === null ? null : self::seen($hold, $view),
            ];
        }

        return ['strands' => $strands];
    }

    /** @return list<Point> */
    private static function points(Strand $strand): array
    {
        $length = $strand->curve->length();
        $count = max(1, (int) ceil($length / self::APART));

        return array_map(static fn (int $n): Point => $strand->curve->pointAt($length * $n / $count), range(0, $count));
    }

    /** @return array{float, float} */
    private static function seen(Point $point, View $view): array
    {
        $seen = $view->point($point);

        return [round($seen->x, 3), round($seen->y, 3)];
    }
}
