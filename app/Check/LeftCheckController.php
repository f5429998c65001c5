<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Checks left on a phone whose owner's access has ended: handed in by the phone, taken in or refused by a lead.
 */
final class LeftCheckController extends Controller
{
    /** From a phone that is not signed in any more; it is told whether its access has ended. */
    public function handIn(Request $request, HandInChecks $handIn): JsonResponse
    {
        return new JsonResponse(['ended' => $handIn->handIn($this->fields($request))]);
    }

    public function index(Request $request, LeftCheckList $list): JsonResponse
    {
        return new JsonResponse(['checks' => $list->of($this->group($request))]);
    }

    public function accept(Request $request, HandInChecks $handIn): JsonResponse
    {
        return new JsonResponse(['taken' => $handIn->accept($this->user($request), $this->group($request), $this->fields($request)->texts('ids'))]);
    }

    public function refuse(Request $request, HandInChecks $handIn): Response
    {
        $handIn->refuse($this->group($request), $this->fields($request)->texts('ids'));

        return new Response(status: 204);
    }
}
