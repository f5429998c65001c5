<?php

declare(strict_types=1);

namespace App\House;

use App\Http\Controller;
use App\Models\Rope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class GroupController extends Controller
{
    public function show(Request $request, HouseView $house): JsonResponse
    {
        return new JsonResponse($house->of($this->group($request)));
    }

    public function change(Request $request, KeepHouse $keep, HouseView $house): JsonResponse
    {
        $keep->change($this->group($request), $this->fields($request));

        return new JsonResponse($house->of($this->group($request)->refresh()));
    }

    public function addRope(Request $request, KeepHouse $keep): JsonResponse
    {
        return new JsonResponse($keep->rope($this->group($request), null, $this->fields($request))->about(), 201);
    }

    public function changeRope(Request $request, Rope $rope, KeepHouse $keep): JsonResponse
    {
        return new JsonResponse($keep->rope($this->group($request), $rope, $this->fields($request))->about());
    }

    public function removeRope(Request $request, Rope $rope, KeepHouse $keep): Response
    {
        $keep->removeRope($this->group($request), $rope);

        return new Response(status: 204);
    }
}
