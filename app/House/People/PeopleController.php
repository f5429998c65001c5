<?php

declare(strict_types=1);

namespace App\House\People;

use App\House\Threshold;
use App\Http\Controller;
use App\Http\NotHere;
use App\Models\Device;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
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

    public function withdraw(Invitation $invitation, InvitePerson $invite): Response
    {
        $invite->withdraw($invitation);

        return new Response(status: 204);
    }

    public function joinAbout(Request $request, JoinByLink $join): JsonResponse
    {
        return new JsonResponse($join->about($this->fields($request)->text('token')));
    }

    public function join(Request $request, JoinByLink $join): JsonResponse
    {
        return Threshold::enter($request, $join($this->fields($request)->text('token'), $this->fields($request)));
    }

    public function changeRole(Request $request, User $person, KeepPerson $keep): Response
    {
        $keep->changeRole($this->group($request), $person, Role::from($this->fields($request)->text('role')));

        return new Response(status: 204);
    }

    public function endAccess(Request $request, User $person, KeepPerson $keep): Response
    {
        $keep->endAccess($this->group($request), $person);

        return new Response(status: 204);
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
