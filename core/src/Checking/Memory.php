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

    private const START = 7.0;

    private const HARD_START = 5.0;

    private function __construct(public float $halfLife, public string $lastDay)
    {
    }

    /**
     * @param  list<DayResult>  $results  in any order
     * @return ?self null before the first has it
     */
    public static function from(array $results, bool $hard): ?self
    {
        $memory = null;
        foreach (self::byDay($results) as $day => $verdicts) {
            if ($memory === null) {
                $memory = in_array(Verdict::HasIt, $verdicts, true) ? new self($hard ? self::HARD_START : self::START, $day) : null;

                continue;
            }
            $worst = self::worst($verdicts);
            $memory = $worst === null ? $memory : new self(self::after($memory->halfLife, $worst), $day);
        }

        return $memory;
    }

    /** As it was derived before and kept: half-life in days, and the last day that changed it. */
    public static function kept(float $halfLife, string $lastDay): self
    {
        return new self($halfLife, $lastDay);
    }

    /** The chance, 0 to 1, that it is still known on a day. A day before the last result counts as that day. */
    public function chance(string $today): float
    {
        return 2 ** (-self::days($this->lastDay, $today) / $this->halfLife);
    }

    public function due(string $today): bool
    {
        return $this->chance($today) < self::DUE_BELOW;
    }

    /** The first day on which it is due: the chance falls below 0.7 after h x log2(1 / 0.7) days. */
    public function dueOn(): string
    {
        $days = (int) floor($this->halfLife * log(1 / self::DUE_BELOW, 2)) + 1;

        return (new DateTimeImmutable($this->lastDay))->modify("+$days days")->format('Y-m-d');
    }

    private static function after(float $halfLife, Verdict $worst): float
    {
        return match ($worst) {
            Verdict::HasIt => $halfLife * 2.2,
            Verdict::TieAgain => max(3.0, $halfLife * 0.5),
            default => $halfLife * 1.4,
        };
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

    private static function days(string $from, string $to): int
    {
        return max(0, (int) (new DateTimeImmutable($from))->diff(new DateTimeImmutable($to))->format('%r%a'));
    }
}
