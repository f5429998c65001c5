<?php

declare(strict_types=1);

namespace App\House\Sheets;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What a group takes in and takes along as files: rosters and meetings as tables.
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

    public function roster(Request $request, WriteSheet $write): Response
    {
        return self::file('roster.csv', $write->roster($this->group($request)));
    }

    public function meetings(Request $request, WriteSheet $write): Response
    {
        return self::file('meetings.csv', $write->meetings($this->group($request)));
    }

    private static function file(string $name, string $table): Response
    {
        return new Response($table, 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"$name\""]);
    }
}
