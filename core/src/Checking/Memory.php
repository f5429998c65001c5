<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use DateTimeImmutable;

/**
 * How likely a knot is still known: p = 2^(-days / h). h starts at 7 days (5 for a hard knot) on the day of the
 * first has it; each later day changes it once, by that day's worst result: x 2.2 clean, x 1.4 with prompts,
 * x 0.5 (at least 3) on tie again. Tidy it and feed tail count as prompts. Due when p < 0.7.
 */
final readonly class Memory
{
    public const DUE_BELOW = 0.7;

    private function __construct(public float $halfLife, public string $lastDay)
    {
    }

    /**
     * @param  list<DayResult>  $results  in any order
     * @return ?self null before the first has it
     */
    public static function from(array $results, bool $hard, ?MemoryModel $model = null): ?self
    {
        $last = null;
        foreach (self::steps($results, $hard, $model ?? MemoryModel::usual()) as [$memory]) {
            $last = $memory;
        }

        return $last;
    }

    /**
     * What the memory said on each later day, and what came of it.
     *
     * @param  list<DayResult>  $results  in any order
     * @return list<Prediction>
     */
    public static function predictions(array $results, bool $hard, ?MemoryModel $model = null): array
    {
        $predictions = [];
        $before = null;
        foreach (self::steps($results, $hard, $model ?? MemoryModel::usual()) as [$memory, $worst]) {
            if ($before instanceof self) {
                $predictions[] = new Prediction($memory->lastDay, $before->chance($memory->lastDay), $worst !== Verdict::TieAgain && $worst !== Verdict::WithHelp);
            }
            $before = $memory;
        }

        return $predictions;
    }

    /**
     * @param  list<DayResult>  $results
     * @return iterable<array{self, Verdict}> the memory after each day that changed it, and that day's worst verdict
     */
    private static function steps(array $results, bool $hard, MemoryModel $model): iterable
    {
        $memory = null;
        foreach (self::byDay($results) as $day => $verdicts) {
            $worst = $memory instanceof self ? self::worst($verdicts) : (in_array(Verdict::HasIt, $verdicts, true) ? Verdict::HasIt : null);
            if ($worst === null) {
                continue;
            }
            $memory = $memory instanceof self ? new self($model->after($memory->halfLife, $worst), $day) : new self($hard ? $model->hardStart : $model->start, $day);
            yield [$memory, $worst];
        }
    }

    /** As it was derived before and kept: half-life in days, and the last day that changed it. */
    public static function kept(float $halfLife, string $lastDay): self
    {
        return new self($halfLife, $lastDay);
    }

    /** The chance, 0 to 1, that it is still known on a day. A day before the last result counts as that day. */
    public function chance(string $today): float
    {
        return self::chanceAfter(self::dayNumber($today) - self::dayNumber($this->lastDay), $this->halfLife);
    }

    /** The chance, 0 to 1, after so many days with a half-life in days. */
    public static function chanceAfter(int $days, float $halfLife): float
    {
        return 2 ** (-max(0, $days) / $halfLife);
    }

    public function due(string $today): bool
    {
        return $this->chance($today) < self::DUE_BELOW;
    }

    /** The first day on which it is due: the chance falls below 0.7 after h x log2(1 / 0.7) days. */
    public function dueOn(): string
    {
        $days = self::restsFor($this->halfLife);

        return (new DateTimeImmutable($this->lastDay))->modify("+$days days")->format('Y-m-d');
    }

    /** The days after which a knot of this half-life is first due. */
    public static function restsFor(float $halfLife): int
    {
        return (int) floor($halfLife * log(1 / self::DUE_BELOW, 2)) + 1;
    }

    /** @param  list<Verdict>  $verdicts */
    private static function worst(array $verdicts): ?Verdict
    {
        foreach ([Verdict::TieAgain, Verdict::WithHelp, Verdict::TidyIt, Verdict::FeedTail, Verdict::HasIt] as $verdict) {
            if (in_array($verdict, $verdicts, true)) {
                return $verdict;
            }
        }

        return null;
    }

    /**
     * @param  list<DayResult>  $results
     * @return array<string, list<Verdict>> by day, in order
     */
    private static function byDay(array $results): array
    {
        $days = [];
        foreach ($results as $result) {
            $days[$result->day][] = $result->verdict;
        }
        ksort($days);

        return $days;
    }

    /** Days since 1970 began, of a date such as 2026-11-24. */
    public static function dayNumber(string $day): int
    {
        /** @var array<string, int> $known a term has few days, and a board asks for them often */
        static $known = [];

        return $known[$day] ??= (int) floor((int) (new DateTimeImmutable("$day 00:00:00 UTC"))->format('U') / 86400);
    }
}
