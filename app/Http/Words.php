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
    /** English, where there are no words in any language that they take. What was read for a request is read once. */
    public static function asked(): Catalogue
    {
        $request = request();
        $read = $request->attributes->get(self::class);
        if (! $read instanceof Catalogue) {
            $words = config()->string('app.words');
            // It is named as browsers name it, pt-BR, and comes as PHP names it, pt_BR.
            $read = Catalogue::of($words, str_replace('_', '-', (string) $request->getPreferredLanguage(Catalogue::languages($words))));
            $request->attributes->set(self::class, $read);
        }

        return $read;
    }

    /** As the browser names it. */
    public static function language(): string
    {
        return self::asked()->language;
    }

    /** The texts of packs in that language. */
    public static function overlay(): Overlay
    {
        return Overlay::of(config()->string('app.words'), self::language());
    }
}
