<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Controller;
use App\Models\Meeting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class BenchController extends Controller
{
    public function index(Request $request, RigList $rigs): JsonResponse
    {
        return new JsonResponse(['rigs' => $rigs->all($this->group($request)), 'meetings' => $rigs->meetings($this->group($request))]);
    }

    public function show(Request $request, string $rig, RigBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request), RigAsked::from($rig, $request->query())));
    }

    public function instruments(InstrumentBoard $board): JsonResponse
    {
        return new JsonResponse(['instruments' => $board->all()]);
    }

    public function instrument(Request $request, string $instrument, InstrumentBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request), RigAsked::from($instrument, $request->query())));
    }

    public function choose(Request $request, WhichKnot $which): JsonResponse
    {
        return new JsonResponse($which->of($request->query()));
    }

    public function open(Request $request, Meeting $meeting, OpenGate $open): JsonResponse
    {
        return new JsonResponse($open($this->user($request), $meeting, $this->fields($request)), 201);
    }

    public function take(Request $request, Meeting $meeting, TakeRig $take): JsonResponse
    {
        return new JsonResponse(['id' => $take($this->group($request), $meeting, $this->fields($request))], 201);
    }

    public function leave(Meeting $meeting, string $taken, LeaveRig $leave): Response
    {
        $leave($meeting, $taken);

        return new Response(status: 204);
    }
}
