<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Tries;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets nobody guess without end: so many tries a minute from one network address.
 */
final readonly class CountTries
{
    public function __construct(private Tries $tries)
    {
    }

    public function handle(Request $request, Closure $next, string $of, string $most): Response
    {
        $this->tries->take("$of from ".$request->ip(), (int) $most, 60);

        /** @var Response */
        return $next($request);
    }
}
