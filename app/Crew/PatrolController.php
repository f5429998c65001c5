<?php

declare(strict_types=1);

namespace App\Crew;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class PatrolController extends Controller
{
    public function show(Request $request, PatrolBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request)));
    }

    public function put(Request $request, KeepPatrol $keep, PatrolBoard $board): JsonResponse
    {
        $keep($this->group($request), $this->fields($request));

        return $this->show($request, $board);
    }

    public function place(Request $request, PlaceHelper $place, PatrolBoard $board): JsonResponse
    {
        $place($this->group($request), $this->fields($request));

        return $this->show($request, $board);
    }
}
