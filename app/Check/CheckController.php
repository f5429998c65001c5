<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\Controller;
use App\Models\Learner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class CheckController extends Controller
{
    public function sheet(Request $request, string $knot, CheckSheet $sheet): JsonResponse
    {
        $meeting = $request->query('meeting');
        $rope = $request->query('rope');

        return new JsonResponse($sheet->of($this->group($request), $knot, is_string($meeting) ? $meeting : null, is_string($rope) ? $rope : null));
    }

    /** What is open for one learner. */
    public function open(Request $request, Learner $learner, CheckSheet $sheet): JsonResponse
    {
        return new JsonResponse($sheet->openFor($this->group($request), $learner));
    }

    public function record(Request $request, RecordChecks $record): JsonResponse
    {
        return new JsonResponse(['results' => $record($this->user($request), $this->fields($request))]);
    }
}
