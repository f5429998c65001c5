<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use RuntimeException;

/**
 * Why an office did not do what it was asked.
 */
final class Trouble extends RuntimeException
{
    private function __construct(public readonly What $what, string $message, public readonly ?int $seconds = null, public readonly ?int $place = null)
    {
        parent::__construct($message);
    }

    /**
     * It may go well another time.
     *
     * @param  ?int  $seconds  that it asks to be left alone for
     */
    public static function later(string $message, ?int $seconds = null): self
    {
        return new self(What::Later, $message, $seconds);
    }

    /** What lets in has ended: it may have done some of what it was asked before it noticed. */
    public static function signedOut(): self
    {
        return new self(What::SignedOut, 'The office ended the way in.');
    }

    /** It has answered another list under this key. */
    public static function keyReused(): self
    {
        return new self(What::KeyReused, 'The office knows this list, and it was another.');
    }

    /**
     * It cannot read a list, and has taken nothing of it.
     *
     * @param  ?int  $place  of the award that it stumbles over, where it says so
     */
    public static function unreadable(string $message, ?int $place): self
    {
        return new self(What::Unreadable, $message, null, $place);
    }

    /** Nobody is let in until a lead has seen to it. */
    public static function turnedAway(string $message): self
    {
        return new self(What::TurnedAway, $message);
    }
}
