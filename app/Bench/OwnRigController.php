<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What a group makes its own at the bench: rigs copied and changed, and knots measured.
 */
final class OwnRigController extends Controller
{
    public function pack(Request $request, string $rig, KeepRig $keep): JsonResponse
    {
        return new JsonResponse(['pack' => $keep->pack($this->group($request), $rig)]);
    }

    public function copy(Request $request, string $rig, KeepRig $keep): JsonResponse
    {
        return new JsonResponse(['id' => $keep->copy($this->user($request), $rig)->id], 201);
    }

    public function change(Request $request, string $rig, KeepRig $keep): JsonResponse
    {
        return new JsonResponse(['id' => $keep->change($this->group($request), $rig, $this->fields($request)->object('pack')->raw())->id]);
    }

    public function remove(Request $request, string $rig, KeepRig $keep): Response
    {
        $keep->remove($this->group($request), $rig);

        return new Response(status: 204);
    }

    public function measures(Request $request, Calibrate $calibrate): JsonResponse
    {
        return new JsonResponse($calibrate->board($this->group($request)));
    }

    public function measure(Request $request, Calibrate $calibrate): JsonResponse
    {
        $calibrate->add($this->user($request), $this->fields($request));

        return new JsonResponse($calibrate->board($this->group($request)), 201);
    }

    public function unmeasure(Request $request, string $measure, Calibrate $calibrate): JsonResponse
    {
        $calibrate->remove($this->group($request), $measure);

        return new JsonResponse($calibrate->board($this->group($request)));
    }
}
