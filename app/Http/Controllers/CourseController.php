<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AcceptPlan;
use App\Actions\AddMeeting;
use App\Actions\ChangeMeeting;
use App\Actions\MarkAttendance;
use App\Actions\RunMeeting;
use App\Boards\CourseView;
use App\Boards\PlanChange;
use App\Models\Learner;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
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

    public function whatIf(Request $request, CourseView $course): JsonResponse
    {
        return new JsonResponse($course->whatIf($this->group($request), PlanChange::from($this->fields($request))));
    }

    /** Takes a change of plan, or the plan laid out anew from what happened. */
    public function plan(Request $request, CourseView $course, AcceptPlan $accept): JsonResponse
    {
        $group = $this->group($request);
        $change = PlanChange::from($this->fields($request));
        $plans = $course->plans($group);
        $accept($group, $this->fields($request)->flag('anew') ? $plans->anew() : $plans->with($change), $change->moves);

        return new JsonResponse($course->of($group));
    }

    /** A knot a leader put somewhere goes where the plan would have it. */
    public function unpin(Request $request, string $knot, CourseView $course): JsonResponse
    {
        $group = $this->group($request);
        $group->places()->where('knot', $knot)->delete();

        return new JsonResponse($course->of($group));
    }

    public function changeMeeting(Request $request, Meeting $meeting, ChangeMeeting $change): JsonResponse
    {
        return new JsonResponse(CourseView::about($change($this->group($request), $meeting, $this->fields($request))));
    }

    public function callOff(Request $request, Meeting $meeting, ChangeMeeting $change): Response
    {
        $change->callOff($this->group($request), $meeting);

        return new Response(status: 204);
    }

    public function run(Request $request, Meeting $meeting, RunMeeting $run, CourseView $course): JsonResponse
    {
        $run($this->group($request), $meeting, $this->fields($request));

        return new JsonResponse($course->runSheet($this->group($request), $meeting->refresh()));
    }

    /** An evening nobody planned: a meeting from now on. */
    public function tonight(Request $request, AddMeeting $add, RunMeeting $run, CourseView $course): JsonResponse
    {
        $group = $this->group($request);
        $now = CarbonImmutable::now($group->time_zone);
        $usual = $group->term()->get()->where('date', '<=', $group->today())->last();
        $meeting = $add->write($group, $group->today(), $now->format('H:i'), $usual->minutes ?? 60, $usual->checkers ?? 2, $usual?->place, '/date');
        $run->begin($group, $meeting);

        return new JsonResponse($course->runSheet($group, $meeting->refresh()), 201);
    }
}
