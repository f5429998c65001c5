<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Which memory model a group goes by.
 */
final class MemoryController extends Controller
{
    public function show(Request $request, MemoryBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request)));
    }

    public function choose(Request $request, ChooseMemory $choose, MemoryBoard $board): JsonResponse
    {
        $group = $this->group($request);
        $choose($group, $this->fields($request)->text('use') === 'own');

        return new JsonResponse($board->of($group->refresh()));
    }
}
