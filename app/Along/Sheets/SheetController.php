<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The lists that a group brings in and takes along as files.
 */
final class SheetController extends Controller
{
    /** What each form of list is sent as. */
    private const FORMS = ['csv' => 'text/csv; charset=utf-8', 'tsv' => 'text/tab-separated-values; charset=utf-8', 'ndjson' => 'application/x-ndjson', 'json' => 'application/json'];

    public function __construct(private readonly ImportSheet $import)
    {
    }

    public function look(Request $request, string $kind): JsonResponse
    {
        return new JsonResponse($this->import->look($this->user($request), $kind, $this->fields($request))->about());
    }

    public function take(Request $request, string $kind): JsonResponse
    {
        return new JsonResponse(['taken' => $this->import->take($this->user($request), $kind, $this->fields($request))], 201);
    }

    public function file(Request $request, string $kind): Response
    {
        $list = $this->import->listing($kind);
        $tabs = $this->asked($request, 'between') === 'tabs';
        $as = $list->form() === 'table' ? ($tabs ? 'tsv' : 'csv') : $list->form();

        return new Response($list->write($this->group($request), $tabs ? "\t" : ','), 200, ['Content-Type' => self::FORMS[$as], 'Content-Disposition' => "attachment; filename=\"$kind.$as\""]);
    }
}
