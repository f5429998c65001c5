<?php

declare(strict_types=1);

namespace App\House\People;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * A password somebody wants to have: long enough to be hard to guess, not made of what is guessed first, and short enough that all
 * of it counts.
 */
final class NewPassword
{
    private const LEAST = 10;

    /** What is hashed: bcrypt leaves out all beyond, silently. */
    private const MOST_BYTES = 72;

    /** Of so many pieces at least: a word that is guessed first, a run or a repeat is one piece, any other character is one. */
    private const PIECES = 6;

    /** Rows that fingers run along. */
    private const RUNS = ['abcdefghijklmnopqrstuvwxyz', '01234567890', 'qwertyuiop', 'asdfghjkl', 'zxcvbnm', 'qwertzuiop', 'yxcvbnm', 'azertyuiop', 'qsdfghjklm', 'wxcvbn'];

    /** What guessers try first. */
    private const COMMON = [
        'password', 'passwort', 'passw0rd', 'welcome', 'letmein', 'dragon', 'monkey', 'sunshine', 'princess', 'football', 'baseball', 'iloveyou', 'master', 'shadow', 'superman',
        'batman', 'trustno', 'admin', 'login', 'secret', 'summer', 'winter', 'spring', 'autumn', 'hello', 'freedom', 'whatever', 'starwars', 'pokemon', 'cookie', 'ginger', 'pepper',
        'charlie', 'michael', 'jordan', 'daniel', 'thomas', 'jessica', 'ashley', 'andrew', 'george', 'london', 'chelsea', 'liverpool', 'arsenal', 'monday', 'january', 'december',
        'changeme', 'default', 'computer', 'internet', 'google', 'access', 'please', 'flower', 'knots', 'bowline', 'compadre', 'rope',
    ];

    /**
     * @param  list<string>  $about  words near at hand: the person's name and address, the group's name
     *
     * @throws Refusal
     */
    public static function from(Fields $fields, array $about, string $field = 'password'): string
    {
        $password = $fields->text($field);
        $place = $fields->place($field);
        if (mb_strlen($password) < self::LEAST) {
            throw Refusal::of($place, null, 'house.password_short', ['least' => self::LEAST]);
        }
        if (strlen($password) > self::MOST_BYTES) {
            throw Refusal::of($place, null, 'house.password_long', ['bytes' => self::MOST_BYTES]);
        }
        if (self::pieces($password, $about) < self::PIECES) {
            throw Refusal::of($place, null, 'house.password_easy');
        }

        return $password;
    }

    /**
     * How many pieces a guesser has to find.
     *
     * @param  list<string>  $about
     */
    public static function pieces(string $password, array $about): int
    {
        $text = mb_strtolower($password);
        $words = self::words($about);
        $pieces = 0;
        for ($at = 0; $at < mb_strlen($text); $pieces++) {
            $at += self::chunk(mb_substr($text, $at), mb_substr($text, 0, $at), $words);
        }

        return $pieces;
    }

    /**
     * How much of what is left the next piece takes.
     *
     * @param  list<string>  $words
     */
    private static function chunk(string $left, string $before, array $words): int
    {
        $most = 1;
        foreach ($words as $word) {
            $most = str_starts_with($left, $word) ? max($most, mb_strlen($word)) : $most;
        }
        preg_match('/^(.)\1*/us', $left, $same);
        $most = max($most, mb_strlen($same[0] ?? ''));
        for ($length = 3; $length <= mb_strlen($left); $length++) {
            $start = mb_substr($left, 0, $length);
            $isRun = array_filter(self::RUNS, static fn (string $row): bool => str_contains($row, $start) || str_contains(strrev($row), $start)) !== [];
            $most = $isRun || str_contains($before, $start) ? max($most, $length) : $most;
        }

        return $most;
    }

    /**
     * @param  list<string>  $about
     * @return list<string>
     */
    private static function words(array $about): array
    {
        $own = array_merge(...array_map(static fn (string $text): array => preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($text)) ?: [], $about ?: ['']));

        return [...self::COMMON, ...array_values(array_filter($own, static fn (string $word): bool => mb_strlen($word) > 2))];
    }
}
