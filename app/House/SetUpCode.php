<?php

declare(strict_types=1);

namespace App\House;

use App\Http\PlainCode;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\File;

/**
 * The code that lets one person set up an empty house: whoever sits at the machine reads it where Compadre was started, nobody else
 * does. It is good once.
 */
final class SetUpCode
{
    private const LENGTH = 12;

    /** The code as it is printed, in three parts; made when it is first asked for. */
    public static function current(): string
    {
        if (! File::exists(self::file())) {
            File::put(self::file(), '');
            chmod(self::file(), 0600);
            File::put(self::file(), PlainCode::inFours(PlainCode::make(self::LENGTH)));
        }

        return trim(File::get(self::file()));
    }

    /** @throws Refusal for any other */
    public static function hold(string $given): void
    {
        if (! hash_equals(PlainCode::read(self::current()), PlainCode::read($given))) {
            throw Refusal::of('/code', null, 'house.set_up_code');
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
