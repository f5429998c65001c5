<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ImportSheet;
use App\Boards\CalendarFile;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Data\CsvTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/**
 * What a group takes in and takes along as files: rosters and meetings as tables, the calendar.
 */
final class SheetController extends Controller
{
    public function look(Request $request, string $kind, ImportSheet $import): JsonResponse
    {
        return new JsonResponse($import->look($this->group($request), $kind, $this->fields($request)));
    }

    public function take(Request $request, string $kind, ImportSheet $import): JsonResponse
    {
        return new JsonResponse(['taken' => $import->take($this->group($request), $kind, $this->fields($request))], 201);
    }

    public function roster(Request $request): Response
    {
        $rows = $this->group($request)->learners()->get()->map(fn (Learner $learner): array => [$learner->name, $learner->age_band->value, (string) $learner->hand]);

        return self::file('roster.csv', 'text/csv; charset=utf-8', CsvTable::write(['name', 'age', 'hand'], array_values($rows->all())));
    }

    public function meetings(Request $request): Response
    {
        $rows = $this->group($request)->term()->get()->map(fn (Meeting $meeting): array => [$meeting->date, $meeting->starts_at, (string) $meeting->minutes, (string) $meeting->checkers, (string) $meeting->place]);

        return self::file('meetings.csv', 'text/csv; charset=utf-8', CsvTable::write(['date', 'starts', 'minutes', 'checkers', 'place'], array_values($rows->all())));
    }

    public function calendar(Request $request, CalendarFile $calendar): Response
    {
        return self::file('compadre.ics', 'text/calendar; charset=utf-8', $calendar->of($this->group($request)));
    }

    /** A new private address for the calendar; the one before ends. */
    public function offerFeed(Request $request): JsonResponse
    {
        $token = bin2hex(random_bytes(16));
        $this->group($request)->update(['calendar_hash' => Group::hash($token), 'calendar_places' => $this->fields($request)->flag('places')]);

        return new JsonResponse(['address' => url("/calendar/$token.ics")], 201);
    }

    public function endFeed(Request $request): Response
    {
        $this->group($request)->update(['calendar_hash' => null]);

        return new Response(status: 204);
    }

    /** Whoever holds the address reads the dates, without an account. */
    public function feed(string $token, CalendarFile $calendar): Response
    {
        $group = Group::query()->where('calendar_hash', Group::hash($token))->firstOrFail();

        return self::file('compadre.ics', 'text/calendar; charset=utf-8', $calendar->of($group))->header('Cache-Control', 'private, max-age=900');
    }

    private static function file(string $name, string $type, string $content): Response
    {
        return new Response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => 'attachment; filename="'.Str::ascii($name).'"']);
    }
}
