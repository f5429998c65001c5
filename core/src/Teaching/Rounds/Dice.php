<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Seeded chance: the same throws for the same seed, whatever else goes on.
 */
final readonly class Dice
{
    private Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Mt19937($seed));
    }

    /** From 0 up to, but not including, so many. */
    public function below(int $many): int
    {
        return $many < 2 ? 0 : $this->randomizer->getInt(0, $many - 1);
    }

    /** From 0 to 1. */
    public function share(): float
    {
        return $this->randomizer->getInt(0, 1 << 24) / (1 << 24);
    }
}
