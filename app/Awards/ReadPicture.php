<?php

declare(strict_types=1);

namespace App\Awards;

use Compadre\Core\Awards\Credential\Png;
use Compadre\Core\Data\Svg;
use Compadre\Core\Refusal;
use DOMElement;
use DOMXPath;
use GdImage;

/**
 * Draws a picture that was sent in anew: a PNG or JPEG through GD, an SVG through librsvg first. What is kept is pixels alone.
 */
final readonly class ReadPicture
{
    /** The longer side of what is kept: sharp at 100 mm on paper. */
    private const SIDE = 1200;

    /** What is sent may be so large; more would fill the memory before it is made smaller. */
    private const MOST_SIDE = 6000;

    private const MOST_PIXELS = 16_000_000;

    private const FIELD = '/bytes';

    public function __construct(private DrawSvg $draw)
    {
    }

    /** @return array{png: string, width: int, height: int} */
    public function read(string $bytes): array
    {
        $image = $this->opened(preg_match('/^\s*(\xEF\xBB\xBF)?\s*</', $bytes) === 1 ? $this->drawn($bytes) : $bytes);
        $scale = min(1.0, self::SIDE / max(imagesx($image), imagesy($image)));
        $width = max(1, (int) round(imagesx($image) * $scale));
        $height = max(1, (int) round(imagesy($image) * $scale));
        $kept = imagecreatetruecolor($width, $height);
        imagealphablending($kept, false);
        imagesavealpha($kept, true);
        imagecopyresampled($kept, $image, 0, 0, 0, 0, $width, $height, imagesx($image), imagesy($image));
        ob_start();
        imagepng($kept, null, 9);

        return ['png' => (string) ob_get_clean(), 'width' => $width, 'height' => $height];
    }

    private function opened(string $bytes): GdImage
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            throw Refusal::of(self::FIELD, null, 'awards.picture');
        }
        [$width, $height] = $size;
        if ($width < 1 || $height < 1 || max($width, $height) > self::MOST_SIDE || $width * $height > self::MOST_PIXELS) {
            throw Refusal::of(self::FIELD, "$width x $height", 'awards.picture_size', ['most' => self::MOST_SIDE, 'width' => $width, 'height' => $height]);
        }
        $image = @imagecreatefromstring($size[2] === IMAGETYPE_PNG ? self::bare($bytes) : $bytes);

        return $image instanceof GdImage ? $image : throw self::damaged();
    }

    /** A PNG with nothing but what its pixels need, each part of it whole: GD goes by what it is told, and reads on where it should not. */
    private static function bare(string $png): string
    {
        $chunks = Png::chunks($png) ?? throw self::damaged();

        return Png::of(array_values(array_filter($chunks, static fn (array $chunk): bool => in_array($chunk[0], ['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND'], true))));
    }

    /** @return string a PNG */
    private function drawn(string $svg): string
    {
        $this->refuseActive($svg);

        return ($this->draw)($svg, self::SIDE) ?? throw self::undrawable();
    }

    /** A drawing that does something, or fetches something, is not what a certificate wants. */
    private function refuseActive(string $svg): void
    {
        $document = Svg::read($svg) ?? throw self::undrawable();
        if ($document->doctype?->internalSubset !== null && str_contains($document->doctype->internalSubset, '<!ENTITY')) {
            throw Refusal::of(self::FIELD, null, 'awards.svg_entities');
        }
        foreach ((new DOMXPath($document))->query('//*') ?: [] as $element) {
            $name = $element instanceof DOMElement ? strtolower((string) $element->localName) : '';
            if ($element instanceof DOMElement && (in_array($name, ['script', 'foreignobject', 'iframe', 'handler'], true) || self::acts($element) || ($name === 'style' && self::fetches($element->textContent)))) {
                throw Refusal::of(self::FIELD, null, 'awards.svg_active');
            }
        }
    }

    private static function acts(DOMElement $element): bool
    {
        foreach ($element->attributes as $attribute) {
            $value = strtolower(trim($attribute->value));
            $fetches = $attribute->localName === 'href' && $value !== '' && ! str_starts_with($value, '#') && ! str_starts_with($value, 'data:image/');
            if (str_starts_with(strtolower((string) $attribute->localName), 'on') || $fetches || self::fetches($value)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a style names something that lies elsewhere. */
    private static function fetches(string $style): bool
    {
        return preg_match('/@import|url\(\s*["\']?\s*(?!#|data:image\/)[^\s)]/i', $style) === 1;
    }

    private static function damaged(): Refusal
    {
        return Refusal::of(self::FIELD, null, 'awards.picture_cut');
    }

    private static function undrawable(): Refusal
    {
        return Refusal::of(self::FIELD, null, 'awards.svg_undrawn');
    }
}
