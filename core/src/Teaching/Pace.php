<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Refusal;

/**
 * How a group's blocks run against the minutes of the rule, learned from those it has timed: for each kind of block
 * the mean of ln(taken / planned), drawn toward nought as if three blocks had run to time already.
 */
final readonly class Pace
{
    private const PRIOR = 3;

    /** @param  array<string, list<float>>  $logs  ln(taken / planned) by kind of block */
    private function __construct(private array $logs)
    {
    }

    /**
     * @param  list<array{kind: string, planned: float, taken: float}>  $runs  minutes, above nought; a run of less than a
     *                                                                          fifth or more than five times its plan was
     *                                                                          not timed in earnest and is left out
     */
    public static function from(array $runs): self
    {
        $logs = [];
        foreach ($runs as $number => $run) {
            foreach (['planned', 'taken'] as $field) {
                if ($run[$field] <= 0) {
                    throw Refusal::of("/runs/$number/$field", $run[$field], 'minutes above 0');
                }
            }
            $ratio = $run['taken'] / $run['planned'];
            if ($ratio >= 0.2 && $ratio <= 5) {
                $logs[$run['kind']][] = log($ratio);
            }
        }

        return new self($logs);
    }

    /** What the minutes of the rule are multiplied by, for this group. */
    public function factor(string $kind): float
    {
        return exp(array_sum($this->logs[$kind] ?? []) / (count($this->logs[$kind] ?? []) + self::PRIOR));
    }

    /** @return array{kind: string, factor: float, runs: int, from: float, to: float} with the range two runs in three fall in */
    public function about(string $kind): array
    {
        $logs = $this->logs[$kind] ?? [];
        $factor = $this->factor($kind);
        // With few runs the spread is not known either: half of what is usual counts as three more.
        $sum = self::PRIOR * 0.25 ** 2;
        foreach ($logs as $log) {
            $sum += ($log - log($factor)) ** 2;
        }
        $spread = sqrt($sum / (count($logs) + self::PRIOR));

        return ['kind' => $kind, 'factor' => round($factor, 3), 'runs' => count($logs), 'from' => round($factor * exp(-$spread), 3), 'to' => round($factor * exp($spread), 3)];
    }

    /** @return list<string> */
    public function kinds(): array
    {
        return array_keys($this->logs);
    }
}
