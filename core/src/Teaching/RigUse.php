<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;

/**
 * That a learner tied a knot in a rig that stood: what of a badge is met by it.
 */
final readonly class RigUse
{
    /** @param  string  $rig  its id */
    public function __construct(public string $rig, public string $name, public string $knot)
    {
    }

    /**
     * The names in records of what it ticks off: the knot used anywhere, the knot used in this rig, and the rig built.
     *
     * @return list<string>
     */
    public function keys(): array
    {
        $keys = [(new Leaf($this->knot, Level::UsesIt))->key()];
        foreach (self::calls($this->rig, $this->name) as $call) {
            $keys[] = (new Leaf($this->knot, Level::UsesIt, $call))->key();
            $keys[] = (new Note('rig', $call))->key();
        }

        return $keys;
    }

    /** @return list<string> what a badge may call a rig: by its name or its id, with an article or without, in small letters */
    public static function calls(string $id, string $name): array
    {
        $calls = [];
        foreach (array_unique([mb_strtolower(trim($name)), str_replace('-', ' ', $id), $id]) as $call) {
            array_push($calls, $call, "a $call", "an $call", "the $call");
        }

        return $calls;
    }
}
