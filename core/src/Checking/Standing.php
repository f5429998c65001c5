<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * Where one learner stands with one knot: the highest level reached, and the marks of the current result.
 */
final readonly class Standing
{
    /**
     * @param  list<DayResult>  $results  in order; those that say the same on the same day may stand there once
     * @param  list<string>  $leaders  who recorded results on the current result's day
     * @param  ?Tally  $tally  what a later check can be added to
     */
    private function __construct(
        public string $learner,
        public string $knot,
        public ?Level $level,
        public CheckEvent $current,
        public array $results,
        public array $leaders,
        public ?Memory $memory,
        public ?string $hasItSince,
        public ?string $keptSince,
        public ?Tally $tally,
    ) {
    }

    /**
     * @param  list<DayResult>  $results  in order
     * @param  list<string>  $leaders
     */
    public static function of(CheckEvent $current, array $results, array $leaders, bool $hard, MemoryModel $model, ?Tally $tally): self
    {
        [$level, $since] = Ladder::climbed($results);

        return new self(
            $current->learner, $current->knot, $level, $current, $results, $leaders, Memory::from($results, $hard, $model),
            $since[Level::HasIt->rung()] ?? null, $since[Level::Kept->rung()] ?? null, $tally,
        );
    }

    public static function ofTally(Tally $tally, bool $hard, MemoryModel $model): self
    {
        return self::of($tally->current, $tally->results(), $tally->leaders(), $hard, $model, $tally);
    }

    public function twoLeaders(): bool
    {
        return count($this->leaders) > 1;
    }
}
