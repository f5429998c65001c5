<?php

declare(strict_types=1);

namespace App\Course;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The meetings for calendars: as a file, and at a private address.
 */
final class CalendarController extends Controller
{
    public function show(Request $request, CalendarFile $calendar): Response
    {
        return self::file($calendar->of($this->group($request)));
    }

    public function offer(Request $request, CalendarFeed $feed): JsonResponse
    {
        return new JsonResponse(['address' => $feed->offer($this->group($request), $this->fields($request)->flag('places'))], 201);
    }

    public function end(Request $request, CalendarFeed $feed): Response
    {
        $feed->end($this->group($request));

        return new Response(status: 204);
    }

    public function feed(string $token, CalendarFeed $feed, CalendarFile $calendar): Response
    {
        return self::file($calendar->of($feed->groupOf($token)))->header('Cache-Control', 'private, max-age=900');
    }

    private static function file(string $content): Response
    {
        $headers = ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="compadre.ics"'];

        return new Response($content, 200, $headers);
    }
}
