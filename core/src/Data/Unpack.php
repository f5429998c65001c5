<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

/**
 * Packed bytes from somebody else, unpacked as far as is allowed and no farther.
 */
final class Unpack
{
    /** So many packed bytes at once: at most a thousand times as many come of them. */
    private const AT_ONCE = 4096;

    /**
     * @param  int  $as  ZLIB_ENCODING_GZIP or ZLIB_ENCODING_DEFLATE
     * @return ?string null for what is not packed so, is cut off, or comes to more than $most bytes
     */
    public static function within(string $packed, int $as, int $most): ?string
    {
        $stream = inflate_init($as);
        if ($stream === false) {
            return null;
        }
        $unpacked = '';
        // What is no packed text is answered, not warned of.
        set_error_handler(static fn (): bool => true);
        try {
            foreach (str_split($packed, self::AT_ONCE) as $some) {
                $more = inflate_add($stream, $some);
                $unpacked .= $more === false ? '' : $more;
                if ($more === false || strlen($unpacked) > $most) {
                    return null;
                }
            }
        } finally {
            restore_error_handler();
        }

        return inflate_get_status($stream) === ZLIB_STREAM_END ? $unpacked : null;
    }
}
