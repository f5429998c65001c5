<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\NoGroup;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets those in who have a group open, into that group and no other: a page that was opened for another writes nothing here.
 */
final class InGroup
{
    /** What a page names the group by that it shows. */
    public const SHOWN = 'X-Group';

    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User) {
            if ($user->opened() === null) {
                throw NoGroup::none();
            }
            NoGroup::holdOpen($user->group);
            $shown = $request->header(self::SHOWN);
            if (! $request->isMethodSafe() && $shown !== null && $shown !== $user->group->id) {
                throw NoGroup::another($user->group);
            }
        }

        /** @var Response */
        return $next($request);
    }
}
