<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

/**
 * A badge as a picture: a disc with a rope round it, a knot, and what it is called.
 */
final class BadgeDisc
{
    /** Turns of the rope round the edge. */
    private const TURNS = 72;

    /** As many letters as one line holds at a size that is read at arm's length. */
    private const LINE = 18;

    /** The width of the disc where the name stands, over that of a letter as high as one. */
    private const WIDE = 640;

    /**
     * @param  ?string  $colour  of the group, as #1f4e5f
     * @param  ?string  $knot  an SVG of it
     */
    public static function svg(string $name, string $group, ?string $colour, ?string $knot): string
    {
        $colour ??= InkColour::USUAL;
        $strands = '';
        for ($turn = 0; $turn < self::TURNS; $turn++) {
            $strands .= sprintf('<path d="M300 8C306 16 312 26 316 40" transform="rotate(%.3f 300 300)"/>', 360 * $turn / self::TURNS);
        }
        // Long names go on two lines and are written smaller, so that all of it stands within the ring.
        $lines = self::lines($name);
        $size = max(12, min(54, (int) (self::WIDE / max(1, max(array_map(mb_strlen(...), $lines))))));
        $words = implode('', array_map(static fn (string $line, int $number): string => sprintf('<tspan x="300" y="%d">%s</tspan>', 428 + ($number - (count($lines) - 1) / 2) * 1.1 * $size, self::text($line)), $lines, array_keys($lines)));

        return '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 600 600" width="600" height="600">'
            .'<title>'.self::text($name).'</title>'
            .'<circle cx="300" cy="300" r="296" fill="#fdfdf9"/>'
            ."<circle cx=\"300\" cy=\"300\" r=\"276\" fill=\"none\" stroke=\"$colour\" stroke-width=\"34\"/>"
            ."<g fill=\"none\" stroke=\"#fdfdf9\" stroke-width=\"5\" stroke-linecap=\"round\" opacity=\"0.8\">$strands</g>"
            .($knot === null ? '' : '<clipPath id="within"><circle cx="300" cy="300" r="255"/></clipPath><g clip-path="url(#within)">'.self::placed($knot).'</g>')
            ."<g font-family=\"'Bricolage Grotesque','DejaVu Sans',Verdana,sans-serif\" text-anchor=\"middle\">"
            ."<text font-size=\"$size\" font-weight=\"700\" fill=\"$colour\">$words</text>"
            .'<text x="300" y="484" font-size="22" fill="#11242d">'.self::text(mb_strimwidth($group, 0, 34, '…')).'</text>'
            .'</g></svg>';
    }

    /** @return non-empty-list<string> one line, or two about as long as each other */
    private static function lines(string $name): array
    {
        if (mb_strlen($name) <= self::LINE) {
            return [$name];
        }
        $words = explode(' ', $name);
        $best = [$name];
        for ($first = 1; $first < count($words); $first++) {
            $two = [implode(' ', array_slice($words, 0, $first)), implode(' ', array_slice($words, $first))];
            if (max(array_map(mb_strlen(...), $two)) < max(array_map(mb_strlen(...), $best))) {
                $best = $two;
            }
        }

        return $best;
    }

    /** The drawing of a knot, as it is, in the middle of the disc. */
    private static function placed(string $knot): string
    {
        $drawing = (string) preg_replace(['/^\s*<\?xml.*?\?>\s*/s', '/<!DOCTYPE.*?>/s'], '', $knot);

        return (string) preg_replace_callback('/^<svg\b([^>]*)>/', static function (array $found): string {
            $rest = (string) preg_replace('/\s(?:x|y|width|height|preserveAspectRatio)="[^"]*"/', '', $found[1]);

            return "<svg$rest x=\"90\" y=\"82\" width=\"420\" height=\"290\" preserveAspectRatio=\"xMidYMid meet\">";
        }, $drawing);
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES | ENT_SUBSTITUTE);
    }
}
