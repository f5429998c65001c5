<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Laravel\Sanctum\Http\Middleware\EnsureFrontendRequestsAreStateful;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/**
 * Turns away every write that does not come from the app's own pages, before anything looks at it: another site's form or script
 * carries another origin, or none.
 */
final class FromOwnPages
{
    public function handle(Request $request, Closure $next): Response
    {
        if (! $request->isMethodSafe() && ! EnsureFrontendRequestsAreStateful::fromFrontend($request)) {
            throw new AccessDeniedHttpException('Only Compadre’s own pages may write here. Nothing was written.');
        }

        /** @var Response */
        return $next($request);
    }
}
