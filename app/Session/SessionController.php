<?php

declare(strict_types=1);

namespace App\Session;

use App\Http\Controller;
use App\Models\Learner;
use App\Models\Meeting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SessionController extends Controller
{
    public function meeting(Request $request, Meeting $meeting, RunSheet $sheet): JsonResponse
    {
        return new JsonResponse($sheet->of($this->group($request), $meeting));
    }

    public function clock(Request $request, Meeting $meeting): JsonResponse
    {
        return new JsonResponse(RunSheet::now($this->group($request), $meeting));
    }

    public function markAttendance(Request $request, Meeting $meeting, Learner $learner, MarkAttendance $mark): Response
    {
        $mark($meeting, $learner, $this->user($request), $this->fields($request)->flag('present'));

        return new Response(status: 204);
    }

    public function lead(Request $request, Meeting $meeting, string $knot, LeadStation $lead): Response
    {
        $lead($this->group($request), $meeting, $knot, $this->user($request), $this->fields($request)->flag('leads'));

        return new Response(status: 204);
    }

    public function move(Request $request, Meeting $meeting, Learner $learner, MoveLearner $move): Response
    {
        $move($meeting, $this->fields($request)->whole('place'), $learner, $this->fields($request)->textOrNull('to'));

        return new Response(status: 204);
    }

    public function run(Request $request, Meeting $meeting, RunMeeting $run, RunSheet $sheet): JsonResponse
    {
        $run($this->group($request), $meeting, $this->fields($request));

        return new JsonResponse($sheet->of($this->group($request), $meeting->refresh()));
    }

    /** An evening nobody planned: a meeting from now on, or from when a device began it. */
    public function tonight(Request $request, OpenTonight $open, RunSheet $sheet): JsonResponse
    {
        return new JsonResponse($sheet->of($this->group($request), $open($this->group($request), $this->fields($request))), 201);
    }
}
