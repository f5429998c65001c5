<?php

declare(strict_types=1);

namespace App\House;

use App\House\Badges\BadgeList;
use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class HouseController extends Controller
{
    public function show(): JsonResponse
    {
        return new JsonResponse(FrontDoor::look());
    }

    /** For whatever sends people here: 503 where they are better sent elsewhere. */
    public function ready(Readiness $readiness): JsonResponse
    {
        $troubles = $readiness->troubles();

        return new JsonResponse(['ready' => $troubles === [], 'troubles' => $troubles], $troubles === [] ? 200 : 503);
    }

    public function badges(BadgeList $badges): JsonResponse
    {
        return new JsonResponse(['badges' => $badges->all(), 'knots' => $badges->knots()]);
    }

    public function setUp(Request $request, SetUpGroup $setUp): JsonResponse
    {
        return Threshold::enter($request, $setUp($this->fields($request), Threshold::isFromNetwork($request)));
    }
}
