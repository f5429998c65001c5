<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Compadre\Core\Data\Svg;
use Compadre\Core\Data\Unpack;
use Compadre\Core\Refusal;
use DOMDocument;
use DOMElement;

/**
 * Badges in pictures: the token in an SVG or a PNG, as Open Badges 3.0 bakes them (section 5.3), and out again.
 */
final class Baking
{
    private const SVG_SPACE = 'https://purl.imsglobal.org/ob/v3p0';

    private const PNG_KEYWORD = 'openbadgecredential';

    /** A token is some thousand bytes; a list of what was taken back some more. */
    private const MOST_TOKEN = 8_388_608;

    private const FIELD = '/file';

    public static function intoSvg(string $svg, string $token): string
    {
        $document = Svg::read($svg) ?? throw Refusal::of(self::FIELD, null, 'awards.no_svg');
        $root = $document->documentElement;
        assert($root instanceof DOMElement);
        foreach (self::credentials($document) as $old) {
            $old->parentNode?->removeChild($old);
        }
        $baked = $document->createElementNS(self::SVG_SPACE, 'openbadges:credential');
        $baked->setAttribute('verify', $token);
        $root->insertBefore($baked, $root->firstChild);

        return (string) $document->saveXML();
    }

    public static function intoPng(string $png, string $token): string
    {
        $chunks = Png::chunks($png) ?? throw Refusal::of(self::FIELD, null, 'awards.no_png');
        $others = array_values(array_filter($chunks, static fn (array $chunk): bool => ! self::isBadge(...$chunk)));
        // After the head. Keyword, not compressed, no language, no other keyword, text.
        array_splice($others, 1, 0, [['iTXt', self::PNG_KEYWORD."\0\0\0\0\0".$token]]);

        return Png::of($others);
    }

    /**
     * The token in whatever somebody shows.
     *
     * @param  string  $bytes  a token by itself, an SVG or a PNG
     *
     * @throws Refusal for what holds none
     */
    public static function token(string $bytes): string
    {
        $text = trim($bytes, " \t\r\n\0\xEF\xBB\xBF");
        $token = match (true) {
            str_starts_with($bytes, Png::SIGNATURE) => self::fromPng($bytes),
            str_starts_with($text, '<') => self::fromSvg($text),
            preg_match('/^[A-Za-z0-9_-]+\.[A-Za-z0-9_-]*\.[A-Za-z0-9_-]*$/D', $text) === 1 => $text,
            default => null,
        };

        return $token ?? throw Refusal::of(self::FIELD, null, 'awards.no_badge');
    }

    private static function fromSvg(string $svg): ?string
    {
        $document = Svg::read($svg);
        $found = $document === null ? [] : self::credentials($document);

        // More than one: nobody could say which is meant.
        return count($found) === 1 && $found[0]->hasAttribute('verify') ? trim($found[0]->getAttribute('verify')) : null;
    }

    private static function fromPng(string $png): ?string
    {
        $found = [];
        foreach (Png::chunks($png) ?? [] as [$type, $data]) {
            if (self::isBadge($type, $data)) {
                $found[] = self::text(substr($data, strlen(self::PNG_KEYWORD) + 1));
            }
        }

        return count($found) === 1 ? $found[0] : null;
    }

    private static function isBadge(string $type, string $data): bool
    {
        return $type === 'iTXt' && str_starts_with($data, self::PNG_KEYWORD."\0");
    }

    /** Of an international text: whether it is compressed, how, a language, the keyword in it, the text. */
    private static function text(string $data): ?string
    {
        $parts = explode("\0", substr($data, 2), 3);
        if (strlen($data) < 2 || count($parts) !== 3) {
            return null;
        }
        if ($data[0] === "\0") {
            return $parts[2];
        }

        return $data[0] === "\1" && $data[1] === "\0" ? Unpack::within($parts[2], ZLIB_ENCODING_DEFLATE, self::MOST_TOKEN) : null;
    }

    /** @return list<DOMElement> */
    private static function credentials(DOMDocument $document): array
    {
        return iterator_to_array($document->getElementsByTagNameNS(self::SVG_SPACE, 'credential'), false);
    }
}
