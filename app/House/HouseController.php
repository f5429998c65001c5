<?php

declare(strict_types=1);

namespace App\House;

use App\House\Badges\BadgeList;
use App\Http\Controller;
use App\Http\Doorkeeper;
use App\Models\Device;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class HouseController extends Controller
{
    public function show(): JsonResponse
    {
        return new JsonResponse(FrontDoor::look());
    }

    public function badges(BadgeList $badges): JsonResponse
    {
        return new JsonResponse(['badges' => $badges->all(), 'knots' => $badges->knots()]);
    }

    public function setUp(Request $request, SetUpGroup $setUp): JsonResponse
    {
        // Whoever sets it up sits at the machine: an empty house is no network's to take.
        if ($request->server('COMPADRE_LAN') === 'yes') {
            throw new AuthorizationException;
        }
        $leader = $setUp($this->fields($request));
        Doorkeeper::letIn($request, $leader);

        return new JsonResponse(MeView::of($leader, Device::of($request, $leader)), 201);
    }
}
