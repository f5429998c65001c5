<?php

declare(strict_types=1);

namespace App\House;

use Compadre\Core\Refusal;
use Illuminate\Support\Facades\File;

/**
 * The code that lets one person set up an empty house: whoever sits at the machine reads it where Compadre was started, nobody else
 * does. It is good once.
 */
final class SetUpCode
{
    /** No letters and digits that look alike. */
    private const LETTERS = 'ACDEFGHJKMNPQRTUVWXY34679';

    private const LENGTH = 12;

    /** The code as it is printed, in three parts; made when it is first asked for. */
    public static function current(): string
    {
        if (! File::exists(self::file())) {
            $code = '';
            for ($n = 0; $n < self::LENGTH; $n++) {
                $code .= self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)];
            }
            File::put(self::file(), '');
            chmod(self::file(), 0600);
            File::put(self::file(), implode('-', str_split($code, 4)));
        }

        return trim(File::get(self::file()));
    }

    /** @throws Refusal for any other */
    public static function hold(string $given): void
    {
        $plain = static fn (string $code): string => (string) preg_replace('/[^A-Z0-9]/', '', strtoupper($code));
        if (! hash_equals($plain(self::current()), $plain($given))) {
            throw Refusal::saying('/code', null, 'the code that ./compadre up --empty printed', 'This is not the set-up code. It stands where Compadre was started: run ./compadre up --empty to see it again.');
        }
    }

    public static function spend(): void
    {
        File::delete(self::file());
    }

    private static function file(): string
    {
        return storage_path('app/setup-code');
    }
}
