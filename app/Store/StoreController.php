<?php

declare(strict_types=1);

namespace App\Store;

use App\Http\Controller;
use App\Models\Meeting;
use App\Models\Stock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class StoreController extends Controller
{
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(StoreList::of($this->group($request)));
    }

    public function add(Request $request, KeepStore $store): JsonResponse
    {
        return new JsonResponse($store->add($this->group($request), $this->fields($request))->about(), 201);
    }

    public function change(Request $request, Stock $stock, KeepStore $store): JsonResponse
    {
        return new JsonResponse($store->change($this->group($request), $stock, $this->fields($request))->about());
    }

    public function remove(Stock $stock, KeepStore $store): Response
    {
        $store->remove($stock);

        return new Response(status: 204);
    }

    public function pack(Request $request, Meeting $meeting, PackBoard $pack): JsonResponse
    {
        return new JsonResponse($pack->of($this->group($request), $meeting));
    }

    public function cut(Request $request, Meeting $meeting, KeepStore $store, PackBoard $pack): JsonResponse
    {
        $store->cutFor($this->group($request), $meeting);

        return new JsonResponse($pack->of($this->group($request), $meeting));
    }

    public function gauges(Request $request, GaugeBoard $gauges): JsonResponse
    {
        return new JsonResponse(['gauges' => $gauges->of($this->group($request))]);
    }
}
