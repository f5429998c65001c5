<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Doorkeeper;
use App\Actions\SetUpGroup;
use App\Boards\BadgeList;
use App\Boards\MeView;
use App\Http\KnownDevice;
use App\Models\Device;
use App\Models\Group;
use Carbon\CarbonImmutable;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class HouseController extends Controller
{
    public function show(): JsonResponse
    {
        return new JsonResponse([
            'house' => config()->string('app.house'),
            'signed_in' => Doorkeeper::guard()->check(),
            'needs_setup' => Group::query()->doesntExist(),
            'today' => CarbonImmutable::now()->format('Y-m-d'),
        ]);
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
        Doorkeeper::guard()->login($leader);
        KnownDevice::remember($request, $leader);
        $request->session()->regenerate();

        return new JsonResponse(MeView::of($leader, Device::of($request, $leader)), 201);
    }
}
