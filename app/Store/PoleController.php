<?php

declare(strict_types=1);

namespace App\Store;

use App\Http\Controller;
use App\Models\Pole;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class PoleController extends Controller
{
    public function add(Request $request, KeepPoles $poles): JsonResponse
    {
        return new JsonResponse($poles->add($this->group($request), $this->fields($request))->about(), 201);
    }

    public function change(Request $request, Pole $pole, KeepPoles $poles): JsonResponse
    {
        return new JsonResponse($poles->change($this->group($request), $pole, $this->fields($request))->about());
    }

    public function remove(Pole $pole, KeepPoles $poles): Response
    {
        $poles->remove($pole);

        return new Response(status: 204);
    }
}
