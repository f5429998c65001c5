<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\TimeModel;

/**
 * The minutes of lessons, old knots and second tries. Never rounded; comparisons allow EASE.
 */
final class Clock
{
    public const EASE = 1e-6;

    /** What a lesson takes where everybody has met the knot before, of what it takes else. */
    private const KNOWN = 0.25;

    /** @var list<int> by learner: place of the age band, the youngest first */
    private readonly array $band;

    /** @var list<float> by place of an age band */
    private readonly array $ages;

    /** @var list<float> by knot: the group's own */
    private readonly array $factors;

    /** @var array<int, array<int, float>> by knot and learner: a lesson for one, without its checking */
    private array $alone = [];

    public function __construct(private readonly Course $course)
    {
        $bands = AgeBand::cases();
        $this->ages = array_map(static fn (AgeBand $band): float => $band->factor(), $bands);
        $this->factors = array_map(static fn (KnotPack $knot): float => $course->wishes->factorOf($knot->id), $course->knots);
        $this->band = array_map(static fn (PlanLearner $learner): int => (int) array_search($learner->band, $bands, true), $course->learners);
    }

    /** @param  non-empty-list<int>  $learners */
    public function lesson(int $knot, array $learners, int $checkers): float
    {
        return TimeModel::lesson($this->showing($knot, $learners), count($learners), $checkers);
    }

    /**
     * A lesson for up to eight without its checking.
     *
     * @param  non-empty-list<int>  $learners
     */
    public function showing(int $knot, array $learners): float
    {
        $known = true;
        $youngest = PHP_INT_MAX;
        foreach ($learners as $learner) {
            $known = $known && isset($this->course->known[$learner][$knot]);
            $youngest = $this->band[$learner] < $youngest ? $this->band[$learner] : $youngest;
        }

        return $this->course->knots[$knot]->minutes * ($known ? self::KNOWN : 1) * $this->ages[$youngest] * $this->factors[$knot];
    }

    /** How many learners a lesson of so many minutes holds, by its showing. */
    public static function holds(float $showing, int $checkers, float $minutes): int
    {
        if ($showing + 0.5 / $checkers > $minutes + self::EASE) {
            return 0;
        }
        $few = (int) floor(($minutes + self::EASE - $showing) * 2 * $checkers);

        return $few <= 8 ? $few : max(8, (int) floor(($minutes + self::EASE - 0.84 * $showing) / (0.02 * $showing + 0.5 / $checkers)));
    }

    /** The least a lesson in the knot can take in which this learner is, with so many checkers. */
    public function leastLesson(int $knot, int $learner, int $checkers): float
    {
        return TimeModel::lesson($this->alone[$knot][$learner] ??= $this->showing($knot, [$learner]), 1, $checkers);
    }

    public function band(int $learner): int
    {
        return $this->band[$learner];
    }

    /** @param  non-empty-list<Station>  $round */
    public function round(array $round): float
    {
        $longest = 0.0;
        foreach ($round as $station) {
            $longest = max($longest, $this->lesson($station->knot, $station->learners, $station->checkers));
        }

        return $longest;
    }

    public function old(int $learners, int $meeting): float
    {
        return TimeModel::oldKnot($learners, $this->course->meetings[$meeting]->checkers);
    }

    /** The least time that is kept for old knots: those due for anybody present, up to a share of the meeting. */
    public function floor(Standing $standing, int $meeting): float
    {
        $most = min($this->course->wishes->oldShare * $this->course->meetings[$meeting]->minutes, $this->course->room[$meeting]);
        $day = $this->course->day[$meeting];
        $minutes = 0.0;
        foreach ($this->course->may as $knot => $may) {
            if ($minutes >= $most) {
                return $most;
            }
            if (! $may[$meeting]) {
                continue;
            }
            foreach ($this->course->present[$meeting] as $learner) {
                if ($standing->isDue($learner, $knot, $day)) {
                    $minutes += $this->old(count($standing->having($knot, $meeting)), $meeting);
                    break;
                }
            }
        }

        return min($most, $minutes);
    }

    /** @param  list<non-empty-list<Station>>  $rounds */
    public function tries(Standing $standing, int $meeting, float $floor, array $rounds): float
    {
        $room = $this->course->room[$meeting];
        $checkers = $this->course->meetings[$meeting]->checkers;
        $waiting = $standing->again[$meeting] ?? 0.0;
        foreach ($waiting > 0.0 ? $rounds : [] as $round) {
            $waiting -= ($checkers - array_sum(array_map(static fn (Station $station): int => $station->checkers, $round))) * $this->round($round);
        }

        return max(0.0, min($room / 5, $room - $floor, max(0.0, $waiting) / $checkers));
    }
}
