<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

use Compadre\Core\Refusal;

/**
 * Finds the direction in which the upper strand of each crossing runs, and so its sign: +1 where it runs from the fourth
 * edge to the second, that is from left to right as seen by one who travels underneath.
 */
final class Orientation
{
    /** @var array<int, int> sign by crossing, as far as known */
    private array $signs = [];

    private readonly Darts $darts;

    /** @param  list<array{int, int, int, int}>  $crossings */
    private function __construct(private readonly array $crossings, private readonly string $field)
    {
        $this->darts = Darts::of($crossings);
    }

    /**
     * @param  list<array{int, int, int, int}>  $crossings
     * @return list<int>
     */
    public static function signs(array $crossings, string $field): array
    {
        $orientation = new self($crossings, $field);
        $orientation->settle();

        return array_map(static fn (int $number): int => $orientation->signs[$number], array_keys($crossings));
    }

    private function settle(): void
    {
        foreach (array_keys($this->crossings) as $number) {
            foreach ([0, 2] as $slot) {
                $this->follow($number, $slot);
            }
        }
        foreach ($this->crossings as $number => $edges) {
            if (! isset($this->signs[$number])) {
                // On top everywhere: in the direction of its numbers, the highest being followed by the lowest.
                $this->give($number, $edges[1] === $edges[3] + 1 || $edges[3] > $edges[1] + 1 ? 1 : -1);
            }
        }
    }

    /** The edge at a place whose direction is known tells the direction at its other appearance. */
    private function follow(int $number, int $slot): void
    {
        $across = $this->darts->across[4 * $number + $slot];
        [$other, $at] = [intdiv($across, 4), $across % 4];
        $arrivesHere = $this->arrives($number, $slot);
        $arrivesThere = $this->arrives($other, $at);
        if ($arrivesThere === null) {
            // It leaves there if it arrives here. The fourth edge arrives when the sign is +1, the second when it is -1.
            $this->give($other, ($at === 3) === ($arrivesHere === false) ? 1 : -1);
        } elseif ($arrivesThere === $arrivesHere) {
            throw Refusal::of("{$this->field}/$other/$at", $this->crossings[$number][$slot] ?? null, 'topology.edge');
        }
    }

    private function arrives(int $number, int $slot): ?bool
    {
        return match ($slot) {
            0 => true,
            2 => false,
            default => isset($this->signs[$number]) ? ($slot === 3) === ($this->signs[$number] === 1) : null,
        };
    }

    private function give(int $number, int $sign): void
    {
        $this->signs[$number] = $sign;
        $this->follow($number, 1);
        $this->follow($number, 3);
    }
}
