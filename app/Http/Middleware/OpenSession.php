<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/**
 * Opens the session of a request, and puts nothing into it that changes from one to the next: which page was seen before is the screens' own
 * to know, and the worker sweeps out what has ended.
 */
final class OpenSession extends StartSession
{
    /** @param  Session  $session */
    protected function storeCurrentUrl(Request $request, $session): void
    {
    }

    protected function collectGarbage(Session $session): void
    {
    }
}
