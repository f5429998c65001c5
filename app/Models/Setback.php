<?php

declare(strict_types=1);

namespace App\Models;

use ErrorException;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\LostConnectionException;
use Illuminate\Support\Str;
use PDOException;
use Throwable;

/**
 * Why the database did not do what it was asked, where that is nobody's fault and passes.
 */
enum Setback
{
    /** Somebody else was first: all of it was undone. */
    case Conflict;

    /** No database was there to ask, or it may not answer just now: nothing was written. */
    case Away;

    /** It went while it was told to keep what was written: whether it has is not known. */
    case Unknown;

    public static function of(?Throwable $fault): ?self
    {
        return match (true) {
            $fault === null => null,
            $fault instanceof UnknownOutcome => self::Unknown,
            // What others say of connections that broke off is not about the database.
            $fault instanceof PDOException && (new ConcurrencyErrorDetector)->causedByConcurrencyError($fault) => self::Conflict,
            // What breaks off in the middle of a packet PHP says in a warning.
            ($fault instanceof PDOException || $fault instanceof ErrorException || $fault instanceof LostConnectionException) && self::isAway($fault) => self::Away,
            default => self::of($fault->getPrevious()),
        };
    }

    private static function isAway(Throwable $fault): bool
    {
        // A node that is not of the cluster any more, or not yet; what one that is shutting down says; and 1180: a commit failed, over whatever.
        return (new LostConnectionDetector)->causedByLostConnection($fault)
            || Str::contains($fault->getMessage(), ['WSREP has not yet prepared node', 'Server shutdown in progress', 'Connection was killed', 'Query execution was interrupted', 'General error: 1180 ']);
    }
}
