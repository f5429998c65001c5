<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Verdict;

/**
 * When a knot that was practised wants to be tied again: the memory's half-lives as a table that a device reads without a network.
 * On rung n the half-life is start x clean^n; a day that took thought or went badly leads to the rung whose half-life is next to what
 * the memory makes of it.
 */
final class Rest
{
    /** From a week to more than a year. */
    private const RUNGS = 8;

    /** Practice tells of itself with these. */
    public const FELT = ['easy' => Verdict::HasIt, 'thought' => Verdict::WithHelp, 'hard' => Verdict::TieAgain];

    /**
     * @return array{first: array{easy: int, thought: int, hard: int}, rests: list<int>, next: array{easy: list<int>, thought: list<int>, hard: list<int>}}
     *                                                                                                  the rung of a first day, days to rest on each rung, and
     *                                                                                                  the rung that a day leads to from each
     */
    public static function table(MemoryModel $model): array
    {
        $halfLives = [$model->least];
        for ($rung = 0; $rung < self::RUNGS; $rung++) {
            $halfLives[] = $model->start * $model->clean ** $rung;
        }
        $nearest = static function (float $halfLife) use ($halfLives): int {
            $off = array_map(static fn (float $one): float => abs(log($one / $halfLife)), $halfLives);

            return (int) array_search(min($off), $off, true);
        };
        $from = static fn (Verdict $felt): array => array_map(static fn (float $halfLife): int => $nearest($model->after($halfLife, $felt)), $halfLives);

        return [
            'first' => ['easy' => 1, 'thought' => 0, 'hard' => 0],
            'rests' => array_map(static fn (float $halfLife): int => Memory::restsFor($halfLife), $halfLives),
            'next' => array_map($from, self::FELT),
        ];
    }
}
