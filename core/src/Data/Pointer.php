<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

/**
 * JSON pointers (RFC 6901).
 */
final class Pointer
{
    /** @param  list<string>  $steps */
    public static function of(array $steps): string
    {
        return implode('', array_map(static fn (string $step): string => '/'.str_replace(['~', '/'], ['~0', '~1'], $step), $steps));
    }
}
