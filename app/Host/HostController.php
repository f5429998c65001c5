<?php

declare(strict_types=1);

namespace App\Host;

use App\Http\Controller;
use App\Models\Group;
use App\Models\Place;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class HostController extends Controller
{
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(HostView::look(
            $this->asked($request, 'find') ?? '', GroupsShown::from($this->asked($request, 'show') ?? 'all'), GroupsOrder::from($this->asked($request, 'order') ?? 'name'), (int) ($this->asked($request, 'page') ?? 1),
        ));
    }

    public function makePlace(Request $request, KeepPlaces $places): JsonResponse
    {
        return new JsonResponse($places->make($this->fields($request)), 201);
    }

    public function withdrawPlace(Place $place, KeepPlaces $places): Response
    {
        $places->withdraw($place);

        return new Response(status: 204);
    }

    public function change(Request $request, Group $hosted, KeepGroups $groups): Response
    {
        $groups->change($hosted, $this->fields($request));

        return new Response(status: 204);
    }

    public function remove(Request $request, Group $hosted, KeepGroups $groups): Response
    {
        $groups->remove($hosted, $this->fields($request));

        return new Response(status: 202);
    }
}
