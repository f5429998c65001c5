<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Refusal;
use Normalizer;

/**
 * An e-mail address as accounts are found by it: in lower case, without blanks around it, and otherwise to the letter.
 */
final class EmailAddress
{
    /** @throws Refusal for one that holds blanks or characters that nobody sees */
    public static function canonical(string $given, string $place = '/email'): string
    {
        $address = self::plain($given);
        if (preg_match('/[\p{C}\p{Z}]/u', $address) === 1 || $address === '') {
            throw Refusal::of($place, $given, 'house.email');
        }

        return $address;
    }

    /** The same, for looking an account up: what can be no address finds none. */
    public static function plain(string $given): string
    {
        return mb_strtolower((string) preg_replace('/^\p{Z}+|\p{Z}+$/u', '', mb_scrub($given)));
    }

    /** What all ways of writing one address have in common: tries at an account are counted by this, whatever accents or hidden characters they carry. */
    public static function skeleton(string $given): string
    {
        $parts = Normalizer::normalize(mb_scrub($given), Normalizer::FORM_KD);

        return mb_strtolower((string) preg_replace('/[\p{M}\p{C}\p{Z}]+/u', '', $parts === false ? $given : $parts));
    }
}
