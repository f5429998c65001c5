<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * Finds the error in a knot that looks like none of the usual wrong ones, by asking about one crossing at a time: is it as in
 * the picture? Each question is the one that splits what is still possible most evenly, by how likely a beginner errs so.
 */
final readonly class Narrowing
{
    /** More questions than this nobody answers in a field. */
    public const QUESTIONS = 3;

    /** What is left at the end is shown as so many pictures at the most. */
    private const SHOWN = 2;

    /**
     * @param  ?int  $crossing  what is asked about, as a place in the diagram's list; null when nothing is left to ask
     * @param  ?self  $asDrawn  where it is as in the picture
     * @param  ?self  $other  where it is the other way
     * @param  list<Found>  $left  the errors that fit, the likeliest first; only where nothing is asked
     */
    private function __construct(public ?int $crossing, public ?self $asDrawn, public ?self $other, public array $left)
    {
    }

    /**
     * @param  list<Found>  $found  what can go wrong, the likeliest first
     * @return ?self null where no error differs from the right knot in what goes over alone
     */
    public static function of(array $found): ?self
    {
        $possible = array_values(array_filter($found, static fn (Found $one): bool => ! $one->becomes->isGood() && ($one->slip->flips ?? []) !== [] && $one->slip->exchanged === []));

        return $possible === [] ? null : self::ask($possible, self::QUESTIONS);
    }

    /** @param  non-empty-list<Found>  $possible */
    private static function ask(array $possible, int $questions): self
    {
        $best = $questions === 0 ? null : self::splitting($possible);
        if ($best === null) {
            return new self(null, null, null, array_slice($possible, 0, self::SHOWN));
        }
        [$other, $asDrawn] = self::split($possible, $best);

        return $other === [] || $asDrawn === [] ? new self(null, null, null, array_slice($possible, 0, self::SHOWN))
            : new self($best, self::ask($asDrawn, $questions - 1), self::ask($other, $questions - 1), []);
    }

    /** @param  non-empty-list<Found>  $possible */
    private static function splitting(array $possible): ?int
    {
        [$best, $least] = [null, INF];
        $crossings = array_unique(array_merge(...array_map(static fn (Found $one): array => $one->slip->flips ?? [], $possible)));
        sort($crossings);
        foreach ($crossings as $crossing) {
            [$other, $asDrawn] = self::split($possible, $crossing);
            $uneven = abs(self::weight($other) - self::weight($asDrawn));
            if ($other !== [] && $asDrawn !== [] && $uneven < $least) {
                [$best, $least] = [$crossing, $uneven];
            }
        }

        return $best;
    }

    /**
     * @param  list<Found>  $possible
     * @return array{list<Found>, list<Found>} those in which the crossing is the other way, and those in which it is as drawn
     */
    private static function split(array $possible, int $crossing): array
    {
        $isOther = static fn (Found $one): bool => in_array($crossing, $one->slip->flips ?? [], true);

        return [array_values(array_filter($possible, $isOther)), array_values(array_filter($possible, static fn (Found $one): bool => ! $isOther($one)))];
    }

    /** @param  list<Found>  $possible */
    private static function weight(array $possible): float
    {
        return array_sum(array_map(static fn (Found $one): float => $one->likely, $possible));
    }
}
