<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Requirement;

/**
 * What a badge asks for as a tree over targets: a target, or so many of its parts; a note counts as met.
 */
final readonly class Ask
{
    /** Of a target no meeting meets. */
    public const NEVER = PHP_INT_MAX;

    /** @param  list<self>  $parts */
    private function __construct(private ?int $target, private int $needed, private array $parts)
    {
    }

    /** @param  callable(Leaf): int  $number  of the target that a leaf is */
    public static function of(Requirement $requirement, callable $number): self
    {
        return $requirement->leaf instanceof Leaf
            ? new self($number($requirement->leaf), 1, [])
            : new self(null, $requirement->needed, array_map(static fn (Requirement $part): self => self::of($part, $number), $requirement->parts));
    }

    /** @return list<int> the targets, one for each leaf */
    public function targets(): array
    {
        return $this->target !== null ? [$this->target] : array_merge([], ...array_map(static fn (self $part): array => $part->targets(), $this->parts));
    }

    /** Whether every leaf has to be met. */
    public function isAll(): bool
    {
        foreach ($this->parts as $part) {
            if (! $part->isAll()) {
                return false;
            }
        }

        return $this->needed >= count($this->parts) || $this->target !== null;
    }

    /**
     * The fewest leaves missing over all ways.
     *
     * @param  array<int, int>  $met  number of the meeting by target; those left out are not met
     * @param  int  $by  the last meeting that counts
     */
    public function missing(array $met, int $by): int
    {
        if ($this->target !== null) {
            return ($met[$this->target] ?? self::NEVER) <= $by ? 0 : 1;
        }
        $each = [];
        foreach ($this->parts as $part) {
            $each[] = $part->missing($met, $by);
        }
        if ($this->needed < count($each)) {
            sort($each);
            $each = array_slice($each, 0, $this->needed);
        }

        return array_sum($each);
    }

    /**
     * The number of the meeting that completes it by the way that is soonest: 0 before all of them, NEVER.
     *
     * @param  array<int, int>  $met
     */
    public function completedAt(array $met): int
    {
        if ($this->target !== null) {
            return $met[$this->target] ?? self::NEVER;
        }
        $each = [];
        foreach ($this->parts as $part) {
            $each[] = $part->completedAt($met);
        }
        sort($each);

        return $this->needed === 0 ? 0 : $each[$this->needed - 1] ?? self::NEVER;
    }

    /**
     * The leaves still missing by the way that costs least.
     *
     * @param  array<int, int>  $met
     * @param  callable(int): float  $cost  of a target, above nought
     * @return list<int> targets
     */
    public function wayBy(array $met, int $by, callable $cost): array
    {
        if ($this->target !== null) {
            return ($met[$this->target] ?? self::NEVER) <= $by ? [] : [$this->target];
        }
        $ways = [];
        foreach ($this->parts as $order => $part) {
            $way = $part->wayBy($met, $by, $cost);
            $ways[] = [array_sum(array_map($cost, $way)), $order, $way];
        }
        if ($this->needed < count($ways)) {
            usort($ways, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        }
        $least = [];
        foreach (array_slice($ways, 0, $this->needed) as [, , $way]) {
            array_push($least, ...$way);
        }

        return $least;
    }
}
