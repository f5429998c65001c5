<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * A diagram without its measures: each strand's overs and unders in order of travel, and for each crossing on which side the
 * strands turn past each other. All that a knot is, and nothing of how it is drawn.
 */
final readonly class GaussCode
{
    /**
     * @param  list<GaussStrand>  $strands
     * @param  array<int, int>  $turns +1 or -1 by crossing: see Crossing
     */
    public function __construct(public array $strands, public array $turns)
    {
    }

    /** The mirror image: what a left-handed learner ties. */
    public function mirrored(): self
    {
        return new self($this->strands, array_map(static fn (int $turn): int => -$turn, $this->turns));
    }

    /**
     * The strands change places at some crossings.
     *
     * @param  list<int>  $crossings
     */
    public function flipped(array $crossings): self
    {
        $flip = array_flip($crossings);
        $strands = array_map(static fn (GaussStrand $strand): GaussStrand => $strand->with(array_map(
            static fn (array $visit): array => [$visit[0], isset($flip[$visit[0]]) ? ! $visit[1] : $visit[1]], $strand->visits,
        )), $this->strands);
        $turns = $this->turns;
        foreach ($crossings as $crossing) {
            $turns[$crossing] = -$turns[$crossing];
        }

        return new self($strands, $turns);
    }

    /** @param  list<int>  $strands whose tail and loaded end change places */
    public function exchanged(array $strands): self
    {
        return new self(array_map(
            static fn (GaussStrand $strand, int $number): GaussStrand => in_array($number, $strands, true) ? $strand->withEndsExchanged() : $strand,
            $this->strands, array_keys($this->strands),
        ), $this->turns);
    }

    /**
     * The strands of one crossing as [strand, place along it, on top?], the earlier first.
     *
     * @return list<array{int, int, bool}>
     */
    public function visitsOf(int $crossing): array
    {
        $found = [];
        foreach ($this->strands as $number => $strand) {
            foreach ($strand->visits as $place => [$one, $over]) {
                if ($one === $crossing) {
                    $found[] = [$number, $place, $over];
                }
            }
        }

        return $found;
    }

    /** The sum of the signs at which a strand crosses itself: what a twist in the rope adds, and nothing else. */
    public function selfWrithe(): int
    {
        $sum = 0;
        foreach ($this->strands as $strand) {
            $count = array_count_values(array_map(static fn (array $visit): int => $visit[0], $strand->visits));
            foreach ($count as $crossing => $times) {
                $sum += $times === 2 ? $this->turns[$crossing] : 0;
            }
        }

        return $sum;
    }

    public function tangle(): Tangle
    {
        $edges = [];
        $ends = [];
        $bare = [];
        $circles = 0;
        $next = 1;
        foreach ($this->strands as $number => $strand) {
            [$first, $last] = $this->endNames($number);
            $count = count($strand->visits);
            if ($count === 0) {
                $strand->closed ? $circles++ : $bare[] = [$first, $last];

                continue;
            }
            foreach ($strand->visits as $place => [$crossing, $over]) {
                $edges[$crossing][$over ? 'over' : 'under'] = [$next + $place, $strand->closed && $place === $count - 1 ? $next : $next + $place + 1];
            }
            if (! $strand->closed) {
                $ends[$next] = $first;
                $ends[$next + $count] = $last;
            }
            $next += $strand->closed ? $count : $count + 1;
        }
        $crossings = [];
        foreach ($edges as $crossing => $pair) {
            [$i, $k] = $pair['under'] ?? [0, 0];
            [$in, $out] = $pair['over'] ?? [0, 0];
            $crossings[] = $this->turns[$crossing] > 0 ? [$i, $out, $k, $in] : [$i, $in, $k, $out];
        }

        return new Tangle($crossings, $ends, $bare, $circles);
    }

    /**
     * A strand's two ends by name: "r" and the rope's number with "s" (standing, loaded) and "w" (working, tail); "o" and the
     * object's number with "a" and "b".
     *
     * @return array{string, string} in order of travel
     */
    public function endNames(int $number): array
    {
        $strand = $this->strands[$number];
        $names = $strand->isRope ? ["r{$number}s", "r{$number}w"] : ["o{$number}a", "o{$number}b"];

        return $strand->exchanged ? [$names[1], $names[0]] : $names;
    }

    /** Whether such a diagram can lie in the plane, by Euler; the ends of strands do not count. */
    public function isPlanar(): bool
    {
        return Regions::of($this->tangle())->genus() === 0;
    }
}
