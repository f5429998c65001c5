<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;

/**
 * An address that names something that is not here, or not for this person to see.
 */
final class NotHere extends TurnedAway
{
    public static function knot(string $id): self
    {
        return self::of('knot', $id);
    }

    public static function picture(string $group): self
    {
        return self::of('picture', $group);
    }

    public static function badge(string $award): self
    {
        return self::of('signed badge', $award);
    }

    public static function file(string $id): self
    {
        return self::of('file', $id);
    }

    public static function device(string $id): self
    {
        return self::of('device', $id);
    }

    /** @param  ModelNotFoundException<Model>  $missing */
    public static function row(ModelNotFoundException $missing): self
    {
        return self::of(strtolower(class_basename($missing->getModel())), (string) ($missing->getIds()[0] ?? ''));
    }

    private static function of(string $what, string $id): self
    {
        return self::with(404, "/$what", $id, 'http.missing', ['what' => str_replace(' ', '_', $what), 'id' => $id]);
    }
}
