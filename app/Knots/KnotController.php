<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\AnswersToKeep;
use App\Http\Controller;
use App\Models\Learner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class KnotController extends Controller
{
    public function index(Request $request, KnotView $knots, KnotFacts $facts): JsonResponse
    {
        $wanted = $facts->wantedBy($this->group($request));

        return new JsonResponse(['knots' => array_map(static fn (array $knot): array => $knot + ['badges' => $wanted[$knot['id']] ?? []], $knots->list())]);
    }

    public function show(Request $request, string $knot, KnotView $knots, KnotFacts $facts): JsonResponse
    {
        $method = $this->method($request, $knot);

        return new JsonResponse($knots->of($knot, $method, $this->asked($request, 'view') ?? 'learner') + $facts->of($this->group($request), $knot, $method));
    }

    /** A part of what a device keeps of all knots. */
    public function toKeep(Request $request, KnotsToKeep $knots): JsonResponse
    {
        $part = (string) $this->asked($request, 'part');

        return AnswersToKeep::of($knots->of($this->group($request), $part), KnotsToKeep::patience($part));
    }

    /** What a knot is held against while it is checked. */
    public function compared(Request $request, string $knot, KnotCompared $compared): JsonResponse
    {
        $method = $this->method($request, $knot);

        return new JsonResponse($compared->of($knot, $method, $this->asked($request, 'view') ?? 'learner'));
    }

    /** A step, or the finished knot, as a file to keep or to print. */
    public function drawing(Request $request, string $knot, KnotView $knots): Response
    {
        $step = $this->asked($request, 'step');
        $svg = $knots->svg($knot, $this->asked($request, 'method'), $this->asked($request, 'view') ?? 'learner', $step === null ? null : (int) $step, $request->query('tight') === 'yes');

        return new Response($svg, 200, ['Content-Type' => 'image/svg+xml', 'Content-Disposition' => 'attachment; filename="'.$knot.($step === null ? '' : "-step-$step").'.svg"']);
    }

    /** The knot as ropes in space, from loose to tight, from tight to pulled at, or with a fault in its dressing. */
    public function space(Request $request, string $knot, KnotSpace $space): JsonResponse
    {
        $fault = $this->asked($request, 'untidy');

        return new JsonResponse(match (true) {
            $this->asked($request, 'pulled') === 'yes' => $space->pulled($knot),
            $fault !== null => $space->untidy($knot, $this->method($request, $knot), $fault),
            default => $space->of($knot, $this->method($request, $knot)),
        });
    }

    /** The same from one side, for screens that cannot turn it, and to keep or print. */
    public function picture(Request $request, string $knot, KnotSpace $space): Response
    {
        $svg = $space->svg($knot, $this->method($request, $knot), $this->asked($request, 'yaw'), $this->asked($request, 'pitch'), $this->asked($request, 'tight'), $this->asked($request, 'step'), $this->asked($request, 'ink') === 'grey');

        return new Response($svg, 200, ['Content-Type' => 'image/svg+xml']);
    }

    public function next(Learner $learner, KnotFacts $facts): JsonResponse
    {
        return new JsonResponse(['knots' => $facts->next($learner)]);
    }

    /** The way of tying it that is asked for; else the house's own comes first. */
    private function method(Request $request, string $knot): ?string
    {
        return $this->asked($request, 'method') ?? $this->group($request)->methods[$knot] ?? null;
    }

    public function judgeTail(Request $request, KnotView $knots): JsonResponse
    {
        return new JsonResponse($knots->judgeTail($this->group($request), $this->fields($request)));
    }
}
