<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * How this group's own learners forget, from its own history, and an honest word on whether that predicts any better.
 *
 * Each later day on which a knot was tied is a prediction that came true or not: the chance then, against whether it was still
 * known (tied right without a prompt; untidy or with a short tail counts as known, with help and tie again do not). The figures are
 * fitted to the earlier 70 % of these by the least Brier score, the mean of (chance - outcome) squared (Brier, Monthly Weather
 * Review 78, 1950), and judged on the rest, which the fit has not seen.
 */
final readonly class MemoryFit
{
    /** With fewer results than this nothing is fitted. */
    public const NEEDED = 200;

    private const LEARNT_FROM = 0.7;

    private const GRID = [
        'start' => [2.0, 3.0, 4.0, 5.0, 6.0, 7.0, 8.5, 10.0, 12.0, 15.0, 19.0, 24.0, 30.0],
        'clean' => [1.0, 1.2, 1.5, 1.8, 2.0, 2.2, 2.5, 3.0, 3.6],
        'prompts' => [0.7, 0.85, 1.0, 1.2, 1.4, 1.7, 2.0],
        'again' => [0.2, 0.35, 0.5, 0.65, 0.8, 1.0],
    ];

    /**
     * @param  int  $results  how many predictions the history holds
     * @param  int  $judgedOn  on how many the two are compared
     * @param  ?MemoryModel  $own  null where there are too few
     * @param  ?float  $usualScore  Brier score of the usual figures, 0 (always right) to 1
     */
    private function __construct(public int $results, public int $judgedOn, public ?MemoryModel $own, public ?float $usualScore, public ?float $ownScore)
    {
    }

    /** @param  list<array{list<DayResult>, bool}>  $histories  one for each learner and knot: its results, and whether the knot is hard */
    public static function of(array $histories): self
    {
        $days = [];
        foreach ($histories as [$results, $isHard]) {
            foreach (Memory::predictions($results, $isHard) as $prediction) {
                $days[] = $prediction->day;
            }
        }
        sort($days);
        $count = count($days);
        if ($count < self::NEEDED) {
            return new self($count, 0, null, null, null);
        }
        $from = $days[(int) floor(self::LEARNT_FROM * $count)];
        $own = self::fitted($histories, $from);

        return new self(
            $count, count(array_filter($days, static fn (string $day): bool => $day >= $from)), $own,
            self::score($histories, MemoryModel::usual(), $from, true), self::score($histories, $own, $from, true),
        );
    }

    /** Whether the group's own figures predict better what they have not seen. */
    public function isBetter(): bool
    {
        return $this->ownScore !== null && $this->usualScore !== null && $this->ownScore < $this->usualScore - 1e-9;
    }

    /** @param  list<array{list<DayResult>, bool}>  $histories */
    private static function fitted(array $histories, string $from): MemoryModel
    {
        $best = MemoryModel::usual();
        $least = self::score($histories, $best, $from, false);
        // One figure after the other, until none gets better.
        do {
            $before = $least;
            foreach (self::GRID as $figure => $values) {
                foreach ($values as $value) {
                    $tried = $best->with(...[$figure => $value]);
                    $score = self::score($histories, $tried, $from, false);
                    if ($score < $least - 1e-12) {
                        [$best, $least] = [$tried, $score];
                    }
                }
            }
        } while ($least < $before - 1e-12);

        return $best;
    }

    /** @param  list<array{list<DayResult>, bool}>  $histories */
    private static function score(array $histories, MemoryModel $model, string $from, bool $later): float
    {
        [$sum, $count] = [0.0, 0];
        foreach ($histories as [$results, $isHard]) {
            foreach (Memory::predictions($results, $isHard, $model) as $prediction) {
                if (($prediction->day >= $from) === $later) {
                    $sum += ($prediction->chance - ($prediction->known ? 1.0 : 0.0)) ** 2;
                    $count++;
                }
            }
        }

        return $count === 0 ? 1.0 : $sum / $count;
    }
}
