<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * How often a first try at a knot passes in this group: of those tried, drawn toward the usual rate as if six tries had come out at it.
 */
final readonly class PassRates
{
    /** The rate of a knot that the group has not been tested in. */
    public const USUAL = 0.7;

    private const PRIOR = 6;

    /** @param  array<string, array{int, int}>  $counts  by knot: first tries, and those of them that passed */
    private function __construct(private array $counts)
    {
    }

    /** @param  array<string, array{int, int}>  $counts  by knot: first tries, and those of them that passed */
    public static function from(array $counts): self
    {
        return new self($counts);
    }

    /** @return array<string, float> from 0 to 1, of knots tried */
    public function byKnot(): array
    {
        return array_map(static fn (array $one): float => self::rate(...$one), $this->counts);
    }

    /** @return list<array{knot: string, rate: float, tries: int, from: float, to: float}> with the range the rate lies in, two times of three */
    public function about(): array
    {
        $about = [];
        foreach ($this->counts as $knot => [$tries, $passes]) {
            $rate = self::rate($tries, $passes);
            // The spread of a beta distribution with these counts.
            $spread = sqrt($rate * (1 - $rate) / ($tries + self::PRIOR + 1));
            $about[] = ['knot' => (string) $knot, 'rate' => round($rate, 3), 'tries' => $tries, 'from' => round(max(0.0, $rate - $spread), 3), 'to' => round(min(1.0, $rate + $spread), 3)];
        }

        return $about;
    }

    private static function rate(int $tries, int $passes): float
    {
        return ($passes + self::PRIOR * self::USUAL) / ($tries + self::PRIOR);
    }
}
