<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Closure;

/**
 * Gives what there is to what is wanted: no way of giving it out makes up more. Each one that is wanted takes the first that serves and
 * is free, or sends another on to one that serves that, too.
 */
final class HandOut
{
    /** @var array<int, array<int, int>> how many of each kind there is, by what is wanted */
    private array $given;

    /**
     * @param  array<int, int>  $wanted
     * @param  list<int>  $there
     * @param  Closure(int, int): bool  $serves
     */
    private function __construct(array $wanted, private readonly array $there, private readonly Closure $serves)
    {
        $this->given = array_map(static fn (): array => array_fill(0, count($there), 0), $wanted);
    }

    /**
     * @param  array<int, int>  $wanted  how many, in the order they are served in
     * @param  list<int>  $there  how many there are of each kind, in the order they are tried in
     * @param  Closure(int, int): bool  $serves  whether for what is wanted a kind does, each by its place
     * @return array<int, array<int, int>> how many of each kind, by what is wanted
     */
    public static function most(array $wanted, array $there, Closure $serves): array
    {
        $hand = new self($wanted, $there, $serves);
        foreach ($wanted as $to => $count) {
            for ($n = 0; $n < $count; $n++) {
                $asked = [];
                if (! $hand->give($to, $asked)) {
                    break;
                }
            }
        }

        return $hand->given;
    }

    /** @param  array<int, true>  $asked  kinds that were asked already */
    private function give(int $to, array &$asked): bool
    {
        foreach ($this->there as $kind => $count) {
            if (isset($asked[$kind]) || ! ($this->serves)($to, $kind)) {
                continue;
            }
            $asked[$kind] = true;
            if (array_sum(array_column($this->given, $kind)) < $count) {
                $this->given[$to][$kind]++;

                return true;
            }
            foreach (array_keys($this->given) as $other) {
                if ($other !== $to && $this->given[$other][$kind] > 0 && $this->give($other, $asked)) {
                    $this->given[$other][$kind]--;
                    $this->given[$to][$kind]++;

                    return true;
                }
            }
        }

        return false;
    }
}
