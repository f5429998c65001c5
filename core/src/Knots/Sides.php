<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Words that name a side, as they read beside a drawing.
 */
final class Sides
{
    /** What says `left` or `right` and means no side. */
    private const OTHERWISE = '(?! (?:out|behind|standing|unwatched|round|angles?|way)\b|-laid)';

    private const OTHER = ['left' => 'right', 'right' => 'left', 'Left' => 'Right', 'Right' => 'Left'];

    /**
     * For the left hand everything is the mirror image, the sides in the words with it. From across and from behind the words stay
     * those of whoever ties: they are read out to them.
     */
    public static function told(View $view, string $words): string
    {
        return $view === View::Left
            ? (string) preg_replace_callback('/\b(?:left|right)\b'.self::OTHERWISE.'/i', static fn (array $found): string => self::OTHER[$found[0]] ?? $found[0], $words)
            : $words;
    }
}
