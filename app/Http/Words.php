<?php

declare(strict_types=1);

namespace App\Http;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Overlay;

/**
 * What is said, in the language that whoever asks would have it in.
 */
final class Words
{
    /** As the browser names it; "en" where there are no words in any language that they take. */
    public static function language(): string
    {
        // It is named as browsers name it, pt-BR, and comes as PHP names it, pt_BR.
        return str_replace('_', '-', (string) request()->getPreferredLanguage(Catalogue::languages(config()->string('app.words'))));
    }

    /** The texts of packs in that language. */
    public static function overlay(): Overlay
    {
        return Overlay::of(config()->string('app.words'), self::language());
    }

    /** English, where there are no words in any language that they take. */
    public static function asked(): Catalogue
    {
        return Catalogue::of(config()->string('app.words'), self::language());
    }
}
