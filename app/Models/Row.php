<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A row of one of the app's tables, which each class names: working it out from the class's name loads all rules of English plurals first,
 * in every request.
 */
abstract class Row extends Model
{
    protected $guarded = [];

    /**
     * The framework's own looks through every method of a class for marks, each time a request first meets the class. A trait's part in
     * that is known by the trait's name alone.
     */
    protected static function bootTraits(): void
    {
        $class = static::class;
        static::$traitInitializers[$class] = [];
        foreach (class_uses_recursive($class) as $trait) {
            $name = class_basename($trait);
            if (method_exists($class, "boot$name")) {
                $class::{"boot$name"}();
            }
            if (method_exists($class, "initialize$name")) {
                static::$traitInitializers[$class][] = "initialize$name";
            }
        }
    }
}
