<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AddMeeting;
use App\Actions\MarkAttendance;
use App\Boards\CourseView;
use App\Models\Learner;
use App\Models\Meeting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class CourseController extends Controller
{
    public function show(Request $request, CourseView $course): JsonResponse
    {
        return new JsonResponse($course->of($this->group($request)));
    }

    public function addMeeting(Request $request, AddMeeting $add): JsonResponse
    {
        $meeting = $add($this->group($request), $this->fields($request));

        return new JsonResponse(CourseView::about($meeting), 201);
    }

    public function meeting(Request $request, Meeting $meeting, CourseView $course): JsonResponse
    {
        return new JsonResponse($course->runSheet($this->group($request), $meeting));
    }

    public function markAttendance(Request $request, Meeting $meeting, Learner $learner, MarkAttendance $mark): Response
    {
        $mark($meeting, $learner, $this->user($request), $this->fields($request)->flag('present'));

        return new Response(status: 204);
    }
}
