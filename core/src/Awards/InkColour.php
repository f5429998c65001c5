<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

use Compadre\Core\Refusal;

/**
 * A colour that can be read on white paper.
 */
final readonly class InkColour
{
    /** Of text to its paper: WCAG 2.1, success criterion 1.4.3. */
    public const CONTRAST = 4.5;

    /** Where a group has chosen none. */
    public const USUAL = '#7a5210';

    private function __construct(public string $hex)
    {
    }

    /**
     * @param  string  $hex  as #1f4e5f
     *
     * @throws Refusal for what is no colour, and for one too light
     */
    public static function from(string $hex, string $field): self
    {
        if (preg_match('/^#[0-9a-f]{6}$/i', $hex) !== 1) {
            throw Refusal::of($field, $hex, 'awards.ink');
        }
        if (self::contrast($hex) < self::CONTRAST) {
            throw Refusal::of($field, $hex, 'awards.ink_light');
        }

        return new self(strtolower($hex));
    }

    /** Its contrast to white, 1 to 21, by the relative luminance of WCAG 2.1. */
    public static function contrast(string $hex): float
    {
        $linear = array_map(static function (string $part): float {
            $share = hexdec($part) / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        }, str_split(substr($hex, 1), 2));
        [$red, $green, $blue] = $linear + [0.0, 0.0, 0.0];

        return 1.05 / (0.2126 * $red + 0.7152 * $green + 0.0722 * $blue + 0.05);
    }
}
