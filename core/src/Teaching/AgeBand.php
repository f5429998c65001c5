<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * The ages learners are taught by. Factors and limits after the planning rules: small children need more time for a
 * knot and take fewer new ones in a meeting.
 */
enum AgeBand: string
{
    case From5 = '5-7';
    case From8 = '8-10';
    case From11 = '11-13';
    case From14 = '14+';

    public function factor(): float
    {
        return match ($this) {
            self::From5 => 1.6,
            self::From8 => 1.25,
            self::From11 => 1.0,
            self::From14 => 0.85,
        };
    }

    public function newKnotsAMeeting(): int
    {
        return match ($this) {
            self::From5 => 1,
            self::From8 => 2,
            self::From11 => 3,
            self::From14 => 4,
        };
    }

    /** @return array{int, int} youngest and oldest age in years */
    public function ages(): array
    {
        return match ($this) {
            self::From5 => [5, 7],
            self::From8 => [8, 10],
            self::From11 => [11, 13],
            self::From14 => [14, 17],
        };
    }

    /** The band that an age in years belongs to. */
    public static function of(int $age): self
    {
        foreach (self::cases() as $band) {
            if ($age <= $band->ages()[1]) {
                return $band;
            }
        }

        return self::From14;
    }

    /** How many years of age it shares with a badge's ages, both ends included. */
    public function yearsShared(int $from, int $to): int
    {
        [$youngest, $oldest] = $this->ages();

        return max(0, min($oldest, $to) - max($youngest, $from) + 1);
    }

    /** @param  list<self>  $bands */
    public static function youngest(array $bands): self
    {
        foreach (self::cases() as $band) {
            if (in_array($band, $bands, true)) {
                return $band;
            }
        }

        return self::From11;
    }
}
