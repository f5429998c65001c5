<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Setback;
use App\Models\SureConnection;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use PDOException;
use Symfony\Component\HttpFoundation\Response;
use UnexpectedValueException;

/**
 * Where an act was undone because another was first, or the database went away under it, all of it is done again: whoever asks is looked up
 * anew, and so is what the address names, so that nothing is taken for written that was not.
 */
final class DoAgain
{
    /** So often in all. */
    private const MOST = 8;

    /** What may be asked twice without being done twice: what is asked of the server only, what puts something into a state, and these. */
    private const SAME_TWICE = ['api/check-events', 'api/walk-ins', 'api/tonight', 'api/meetings/{meeting}/run', 'api/left-checks'];

    public function handle(Request $request, Closure $next): Response
    {
        $database = DB::connection();
        if (! $database instanceof SureConnection) {
            throw new UnexpectedValueException('The database is not one that tells what it has done.');
        }
        $cookies = $request->cookies->all();
        for ($try = 1; ; $try++) {
            $commits = $database->commits();
            $response = $next($request);
            $fault = $response instanceof PlainResponse || $response instanceof JsonResponse ? $response->exception : null;
            $setback = Setback::of($fault);
            if ($setback === null) {
                return $response;
            }
            $maySo = $database->commits() === $commits || self::isSameTwice($request);
            if ($try === self::MOST || ! $maySo) {
                Log::error("An act was given up: $setback->name, after $try.");

                return $response;
            }
            Log::notice("An act is done again: $setback->name, after $try.");
            usleep(self::pause($setback, $try));
            $this->forget($request, $cookies, $database);
        }
    }

    /** Microseconds, never quite the same for two. */
    private static function pause(Setback $setback, int $try): int
    {
        $most = $setback === Setback::Conflict ? 10_000 * 2 ** $try : min(2_000_000, 100_000 * 2 ** ($try - 1));

        return random_int(intdiv($most, 2), $most);
    }

    private static function isSameTwice(Request $request): bool
    {
        return in_array($request->method(), ['GET', 'HEAD', 'PUT'], true) || in_array($request->route()?->uri(), self::SAME_TWICE, true);
    }

    /** @param  array<mixed>  $cookies  as they came: they are opened on the way in */
    private function forget(Request $request, array $cookies, SureConnection $database): void
    {
        $request->cookies->replace($cookies);
        Cookie::flushQueuedCookies();
        Auth::forgetGuards();
        app()->forgetScopedInstances();
        $request->route()?->flushController();
        $request->route()?->bind($request);
        try {
            $database->startOver();
        } catch (PDOException) {
            // Still away: whoever asks next finds out.
            $database->disconnect();
        }
    }
}
