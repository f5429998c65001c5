<?php

declare(strict_types=1);

namespace App\House\People;

use App\House\MeView;
use App\House\Threshold;
use App\Http\Controller;
use App\Http\Doorkeeper;
use App\Http\KnownDevice;
use App\Models\Device;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class AccountController extends Controller
{
    public function signIn(Request $request, SignIn $signIn): Response|JsonResponse
    {
        $fields = $this->fields($request);
        if (Threshold::isFromNetwork($request)) {
            $signIn->refuseDemo($fields->text('email'));
        }
        $user = $signIn($fields->text('email'), $fields->text('password'), (string) $request->ip(), KnownDevice::of($request, $fields->text('email')));
        Doorkeeper::letIn($request, $user, stays: true);

        $device = Device::of($request, $user);

        return $device->open($user) === null ? new Response(status: 204) : new JsonResponse(MeView::of($user, $device));
    }

    /** Opens another of their groups on this device. */
    public function choose(Request $request, ChooseGroup $choose): JsonResponse
    {
        $user = $this->user($request);
        $device = Device::of($request, $user);
        $choose($user, $device, $this->fields($request)->text('group'));

        return new JsonResponse(MeView::of($user, $device));
    }

    public function signOut(Request $request): Response
    {
        // What the same browser asked at the same time may write its session back once this one is gone: it opens nothing any more.
        Device::of($request, $this->user($request))->end();
        Doorkeeper::letOut($request);

        return new Response(status: 204);
    }

    public function me(Request $request): JsonResponse
    {
        return new JsonResponse(MeView::of($this->user($request), Device::of($request, $this->user($request))));
    }

    public function changePassword(Request $request, KeepPerson $keep): Response
    {
        $keep->changePassword($this->user($request), $this->fields($request));

        return new Response(status: 204);
    }

    public function resetPassword(Request $request, ResetPassword $reset): Response
    {
        $reset->byLink($this->fields($request));

        return new Response(status: 204);
    }
}
