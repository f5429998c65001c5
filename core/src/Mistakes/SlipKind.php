<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * What exactly went wrong: the ways in which each kind of error is made.
 */
enum SlipKind: string
{
    case Flip = 'flip';
    case SecondHalf = 'second-half';
    case SecondHalfEnds = 'second-half-ends';
    case LastTuck = 'last-tuck';
    case LastTuckStrand = 'last-tuck-strand';
    case LastTuckRound = 'last-tuck-round';
    case HalfWrapMissed = 'half-wrap-missed';
    case HalfWrapAdded = 'half-wrap-added';
    case WrapMissed = 'wrap-missed';
    case WrapAdded = 'wrap-added';
    case EndsExchanged = 'ends-exchanged';

    public function error(): ErrorKind
    {
        return match ($this) {
            self::Flip => ErrorKind::Flip,
            self::SecondHalf, self::SecondHalfEnds => ErrorKind::SecondHalf,
            self::LastTuck, self::LastTuckStrand, self::LastTuckRound => ErrorKind::LastTuck,
            self::HalfWrapMissed, self::HalfWrapAdded, self::WrapMissed, self::WrapAdded => ErrorKind::Wrap,
            self::EndsExchanged => ErrorKind::Ends,
        };
    }

    /** Whether a pack that words this error means it: by its own name, or by that of the error it is one way of making. */
    public function isMeantBy(string $name): bool
    {
        return $name === $this->value || $name === match ($this) {
            self::SecondHalfEnds => self::SecondHalf->value,
            self::LastTuckStrand, self::LastTuckRound => self::LastTuck->value,
            default => null,
        };
    }

    public function cause(): string
    {
        return match ($this) {
            self::Flip => 'Over and under have changed places at one crossing',
            self::SecondHalf => 'The second half went the other way',
            self::SecondHalfEnds => 'The second half went the other way, and a tail and its loaded end have changed places',
            self::LastTuck => 'The last tuck went through from the other side',
            self::LastTuckStrand => 'The end went round the strand beside the one that is meant',
            self::LastTuckRound => 'The end went in where it should come out',
            self::HalfWrapMissed => 'Half a turn was left out',
            self::HalfWrapAdded => 'Half a turn too many was made',
            self::WrapMissed => 'A turn was left out',
            self::WrapAdded => 'A turn too many was made',
            self::EndsExchanged => 'A tail and its loaded end have changed places',
        };
    }
}
