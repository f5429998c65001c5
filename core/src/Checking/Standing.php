<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * Where one learner stands with one knot: the highest level reached, and the marks of the current result.
 */
final readonly class Standing
{
    /**
     * @param  list<DayResult>  $results  in order
     * @param  list<string>  $leaders  who recorded results on the current result's day
     */
    public function __construct(
        public string $learner,
        public string $knot,
        public ?Level $level,
        public CheckEvent $current,
        public array $results,
        public array $leaders,
        public ?Memory $memory,
        public ?string $hasItSince,
        public ?string $keptSince,
    ) {
    }

    public function twoLeaders(): bool
    {
        return count($this->leaders) > 1;
    }
}
