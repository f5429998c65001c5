<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Doorkeeper;
use App\Actions\InvitePerson;
use App\Actions\JoinByLink;
use App\Actions\SignOutDevice;
use App\Boards\DeviceList;
use App\Boards\MeView;
use App\Boards\PeopleView;
use App\Http\NotHere;
use App\Models\Device;
use App\Models\Invitation;
use App\Models\Role;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class PeopleController extends Controller
{
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(PeopleView::of($this->user($request)));
    }

    public function invite(Request $request, InvitePerson $invite): JsonResponse
    {
        return new JsonResponse($invite($this->user($request), Role::from($this->fields($request)->text('role'))), 201);
    }

    public function withdraw(Invitation $invitation): Response
    {
        $invitation->delete();

        return new Response(status: 204);
    }

    public function joinAbout(string $token, JoinByLink $join): JsonResponse
    {
        return new JsonResponse($join->about($token));
    }

    public function join(Request $request, string $token, JoinByLink $join): JsonResponse
    {
        $user = $join($token, $this->fields($request));
        Doorkeeper::guard()->login($user);
        $request->session()->regenerate();
        Device::of($request, $user);

        return new JsonResponse(MeView::of($user), 201);
    }

    public function devices(Request $request): JsonResponse
    {
        return new JsonResponse(['devices' => DeviceList::of($request, $this->user($request))]);
    }

    public function signOutDevice(Request $request, string $device, SignOutDevice $signOut): Response
    {
        $known = in_array($device, array_column(DeviceList::of($request, $this->user($request)), 'id'), true) ? Device::query()->find($device) : null;
        $signOut($known ?? throw NotHere::device($device));

        return new Response(status: 204);
    }
}
