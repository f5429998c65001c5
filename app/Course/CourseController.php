<?php

declare(strict_types=1);

namespace App\Course;

use App\Http\Controller;
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

    public function outlook(Request $request, CourseView $course): JsonResponse
    {
        return new JsonResponse($course->outlook($this->group($request)));
    }

    public function addMeeting(Request $request, AddMeeting $add): JsonResponse
    {
        $meeting = $add($this->group($request), $this->fields($request));

        return new JsonResponse($meeting->about(), 201);
    }

    public function whatIf(Request $request, CourseView $course): JsonResponse
    {
        return new JsonResponse($course->whatIf($this->group($request), PlanChange::from($this->fields($request))));
    }

    /** Takes a change of plan, or the plan laid out anew from what happened. */
    public function plan(Request $request, CourseView $course, Plans $plans, AcceptPlan $accept): JsonResponse
    {
        $group = $this->group($request);
        $change = PlanChange::from($this->fields($request));
        $plan = $plans->of($group);
        $accept($group, match (true) {
            $this->fields($request)->flag('as_it_stands') => $plan->kept(),
            $this->fields($request)->flag('anew') => $plan->anew(),
            default => $plan->with($change),
        }, $change->moves);

        return new JsonResponse($course->of($group));
    }

    /** Does what the plan named as a remedy. */
    public function mend(Request $request, CourseView $course, MendPlan $mend): JsonResponse
    {
        $group = $this->group($request);
        $mend($group, PlanChange::from($this->fields($request)));

        return new JsonResponse($course->of($group));
    }

    public function choosePace(Request $request, CourseView $course, MendPlan $mend): JsonResponse
    {
        $group = $this->group($request);
        $mend->pace($group, $this->fields($request)->text('pace'));

        return new JsonResponse($course->of($group));
    }

    public function unpin(Request $request, string $knot, CourseView $course, AcceptPlan $accept): JsonResponse
    {
        $accept->unpin($this->group($request), $knot);

        return new JsonResponse($course->of($this->group($request)));
    }

    public function changeMeeting(Request $request, Meeting $meeting, ChangeMeeting $change): JsonResponse
    {
        return new JsonResponse($change($this->group($request), $meeting, $this->fields($request))->about());
    }

    public function callOff(Request $request, Meeting $meeting, ChangeMeeting $change): Response
    {
        $change->callOff($this->group($request), $meeting);

        return new Response(status: 204);
    }
}
