<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Data\Figure;
use Compadre\Core\Knots\Cubic;
use Compadre\Core\Knots\Point;

/**
 * Cubic pieces as the text of an SVG path.
 */
final class SvgPath
{
    /** @param  list<Cubic>  $cubics joined end to end */
    public static function of(array $cubics): string
    {
        if ($cubics === []) {
            return '';
        }
        $text = 'M'.self::point($cubics[0]->a);
        foreach ($cubics as $cubic) {
            $text .= 'C'.self::point($cubic->b).' '.self::point($cubic->c).' '.self::point($cubic->d);
        }

        return $text;
    }

    public static function number(float $value): string
    {
        return Figure::of($value, 3);
    }

    private static function point(Point $point): string
    {
        return self::number($point->x).' '.self::number($point->y);
    }
}
