<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Doorkeeper;
use App\Actions\ResetPassword;
use App\Actions\SignIn;
use App\Boards\MeView;
use App\Models\Device;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class AccountController extends Controller
{
    public function signIn(Request $request, SignIn $signIn): JsonResponse
    {
        $fields = $this->fields($request);
        if ($request->server('COMPADRE_LAN') === 'yes') {
            $signIn->refuseDemo($fields->text('email'));
        }
        $user = $signIn($fields->text('email'), $fields->text('password'));
        $request->session()->regenerate();
        Device::of($request, $user);

        return new JsonResponse(MeView::of($user));
    }

    public function signOut(Request $request): Response
    {
        Doorkeeper::guard()->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    public function me(Request $request): JsonResponse
    {
        return new JsonResponse(MeView::of($this->user($request)));
    }

    public function resetPassword(Request $request, string $token, ResetPassword $reset): Response
    {
        $fields = $this->fields($request);
        $reset($fields->text('email'), $token, $fields->text('password'));

        return new Response(status: 204);
    }
}
