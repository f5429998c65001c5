<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use DOMDocument;

/**
 * Drawings that come from somebody else, as a tree. Nothing is fetched for it, and no entity of its own is put in.
 */
final class Svg
{
    /** @return ?DOMDocument null for what is no whole SVG */
    public static function read(string $text): ?DOMDocument
    {
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        $read = $text !== '' && $document->loadXML($text, LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $read && $document->documentElement?->localName === 'svg' ? $document : null;
    }
}
