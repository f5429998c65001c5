<?php

declare(strict_types=1);

namespace App\Http;

use RuntimeException;

/**
 * An address that names something that is not here, or not for this person to see.
 */
final class NotHere extends RuntimeException
{
    private function __construct(public readonly string $what, public readonly string $id)
    {
        parent::__construct("There is no $what here with the id \"$id\".");
    }

    public static function knot(string $id): self
    {
        return new self('knot', $id);
    }

    public static function picture(string $group): self
    {
        return new self('picture', $group);
    }

    public static function badge(string $award): self
    {
        return new self('signed badge', $award);
    }

    public static function file(string $id): self
    {
        return new self('file', $id);
    }

    public static function device(string $id): self
    {
        return new self('device', $id);
    }
}
