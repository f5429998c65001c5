<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Refusal;

/**
 * How a group's blocks run against the minutes of the rule, learned from those it has timed: for each kind of block
 * the mean of ln(taken / planned), drawn toward nought as if three blocks had run to time already; for a single knot drawn
 * likewise toward what its lessons take as a rule.
 */
final readonly class Pace
{
    private const PRIOR = 3;

    /** Kinds of block that are lessons. */
    private const LESSONS = ['new', 'again'];

    /**
     * @param  array<string, list<float>>  $logs  ln(taken / planned) by kind of block
     * @param  array<string, list<float>>  $ofKnots  the same of lessons, by knot
     */
    private function __construct(private array $logs, private array $ofKnots)
    {
    }

    /**
     * @param  list<array{kind: string, planned: float, taken: float, knot?: ?string}>  $runs  minutes by the rule and those taken, above
     *                                                                                          nought; a run of less than a fifth or more
     *                                                                                          than five times its plan was not timed in
     *                                                                                          earnest and is left out
     */
    public static function from(array $runs): self
    {
        $logs = $ofKnots = [];
        foreach ($runs as $number => $run) {
            foreach (['planned', 'taken'] as $field) {
                if ($run[$field] <= 0) {
                    throw Refusal::of("/runs/$number/$field", $run[$field], 'teaching.minutes');
                }
            }
            $ratio = $run['taken'] / $run['planned'];
            if ($ratio >= 0.2 && $ratio <= 5) {
                $logs[$run['kind']][] = log($ratio);
                if (in_array($run['kind'], self::LESSONS, true) && isset($run['knot'])) {
                    $ofKnots[$run['knot']][] = log($ratio);
                }
            }
        }

        return new self($logs, $ofKnots);
    }

    /** What the minutes of the rule are multiplied by, for this group. */
    public function factor(string $kind): float
    {
        return exp(self::drawn($this->logs[$kind] ?? [], 0.0));
    }

    /** The same for lessons of any kind. */
    public function lessons(): float
    {
        return exp(self::drawn(array_merge([], ...array_map(fn (string $kind): array => $this->logs[$kind] ?? [], self::LESSONS)), 0.0));
    }

    /** @return array<string, float> the same for lessons in a knot, of those timed */
    public function byKnot(): array
    {
        $usual = log($this->lessons());

        return array_map(static fn (array $logs): float => exp(self::drawn($logs, $usual)), $this->ofKnots);
    }

    /** @return array{kind: string, factor: float, runs: int, from: float, to: float} with the range two runs in three fall in */
    public function about(string $kind): array
    {
        return ['kind' => $kind] + self::spread($this->logs[$kind] ?? [], 0.0);
    }

    /** @return list<array{knot: string, factor: float, runs: int, from: float, to: float}> of lessons timed, by knot */
    public function aboutKnots(): array
    {
        $usual = log($this->lessons());

        return array_map(static fn (string $knot, array $logs): array => ['knot' => $knot] + self::spread($logs, $usual), array_map(strval(...), array_keys($this->ofKnots)), array_values($this->ofKnots));
    }

    /** @return list<string> */
    public function kinds(): array
    {
        return array_keys($this->logs);
    }

    /** @param  list<float>  $logs */
    private static function drawn(array $logs, float $toward): float
    {
        return (array_sum($logs) + self::PRIOR * $toward) / (count($logs) + self::PRIOR);
    }

    /**
     * @param  list<float>  $logs
     * @return array{factor: float, runs: int, from: float, to: float}
     */
    private static function spread(array $logs, float $toward): array
    {
        $mean = self::drawn($logs, $toward);
        // With few runs the spread is not known either: half of what is usual counts as three more.
        $sum = self::PRIOR * 0.25 ** 2;
        foreach ($logs as $log) {
            $sum += ($log - $mean) ** 2;
        }
        $spread = sqrt($sum / (count($logs) + self::PRIOR));

        return ['factor' => round(exp($mean), 3), 'runs' => count($logs), 'from' => round(exp($mean - $spread), 3), 'to' => round(exp($mean + $spread), 3)];
    }
}
