<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;
use RuntimeException;

/**
 * Why an office did not do what it was asked.
 */
final class Trouble extends RuntimeException
{
    private function __construct(public readonly What $what, public readonly Saying $why, public readonly ?int $seconds = null, public readonly ?int $place = null)
    {
        parent::__construct(Catalogue::english()->say($why));
    }

    /**
     * It may go well another time.
     *
     * @param  ?int  $seconds  that it asks to be left alone for
     */
    public static function later(Saying $why, ?int $seconds = null): self
    {
        return new self(What::Later, $why, $seconds);
    }

    /** What lets in has ended: it may have done some of what it was asked before it noticed. */
    public static function signedOut(): self
    {
        return new self(What::SignedOut, new Saying('awards.trouble_signed_out'));
    }

    /** It has answered another list under this key. */
    public static function keyReused(): self
    {
        return new self(What::KeyReused, new Saying('awards.trouble_key_reused'));
    }

    /**
     * It cannot read a list, and has taken nothing of it.
     *
     * @param  ?int  $place  of the award that it stumbles over, where it says so
     */
    public static function unreadable(Saying $why, ?int $place): self
    {
        return new self(What::Unreadable, $why, null, $place);
    }

    /** Nobody is let in until a lead has seen to it. */
    public static function turnedAway(Saying $why): self
    {
        return new self(What::TurnedAway, $why);
    }
}
