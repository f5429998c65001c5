<?php

declare(strict_types=1);

namespace App\Http;

use Compadre\Core\Words\Catalogue;

/**
 * What is said, in the language that whoever asks would have it in.
 */
final class Words
{
    /** English, where there are no words in any language that they take. */
    public static function asked(): Catalogue
    {
        $folder = config()->string('app.words');
        $language = request()->getPreferredLanguage(Catalogue::languages($folder));

        // It is named as browsers name it, pt-BR, and comes as PHP names it, pt_BR.
        return Catalogue::of($folder, str_replace('_', '-', (string) $language));
    }
}
