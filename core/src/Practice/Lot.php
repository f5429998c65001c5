<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Draws lots that fall the same way for the same seed, on every machine.
 */
final class Lot
{
    private readonly Randomizer $random;

    public function __construct(string $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(hash('sha256', $seed, true)));
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    public function one(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    public function mixed(array $of): array
    {
        return $this->random->shuffleArray($of);
    }

    /**
     * Some of a list, in the order they stand in it.
     *
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @param  int<1, max>  $count  at most as many as there are
     * @return list<T>
     */
    public function some(array $of, int $count): array
    {
        $keys = $this->random->pickArrayKeys($of, $count);
        sort($keys);

        return array_map(static fn (int|string $key): mixed => $of[$key], $keys);
    }
}
