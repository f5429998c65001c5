<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Boards\KnotView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class KnotController extends Controller
{
    public function index(KnotView $knots): JsonResponse
    {
        return new JsonResponse(['knots' => $knots->list()]);
    }

    public function show(Request $request, string $knot, KnotView $knots): JsonResponse
    {
        $method = $request->query('method');
        $view = $request->query('view');

        return new JsonResponse($knots->of($knot, is_string($method) ? $method : null, is_string($view) ? $view : 'learner'));
    }

    public function judgeTail(Request $request, KnotView $knots): JsonResponse
    {
        return new JsonResponse($knots->judgeTail($this->group($request), $this->fields($request)));
    }
}
