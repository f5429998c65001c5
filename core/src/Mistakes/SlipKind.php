<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Words\Saying;

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

    public function cause(): Saying
    {
        return new Saying(match ($this) {
            self::Flip => 'mistakes.cause_flip',
            self::SecondHalf => 'mistakes.cause_second_half',
            self::SecondHalfEnds => 'mistakes.cause_second_half_ends',
            self::LastTuck => 'mistakes.cause_last_tuck',
            self::LastTuckStrand => 'mistakes.cause_last_tuck_strand',
            self::LastTuckRound => 'mistakes.cause_last_tuck_round',
            self::HalfWrapMissed => 'mistakes.cause_half_wrap_missed',
            self::HalfWrapAdded => 'mistakes.cause_half_wrap_added',
            self::WrapMissed => 'mistakes.cause_wrap_missed',
            self::WrapAdded => 'mistakes.cause_wrap_added',
            self::EndsExchanged => 'mistakes.cause_ends',
        });
    }
}
