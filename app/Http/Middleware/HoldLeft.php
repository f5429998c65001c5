<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\LivesElsewhere;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets nobody write in a house that their group has left; routes that write nothing of the group's do without it.
 */
final class HoldLeft
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && ! $request->isMethodSafe()) {
            LivesElsewhere::hold($user->group);
        }

        /** @var Response */
        return $next($request);
    }
}
