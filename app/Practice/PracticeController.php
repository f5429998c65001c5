<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\Controller;
use App\Knots\KnotSpace;
use App\Models\PracticeCard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The practice corner, opened by a card and no account; and the cards, as leaders make and end them.
 */
final class PracticeController extends Controller
{
    public function __construct(private readonly OpenCorner $open, private readonly Corner $corner)
    {
    }

    public function enter(Request $request): JsonResponse
    {
        return new JsonResponse($this->corner->of($this->open->card($this->fields($request)->text('code'), $request->ip() ?? '')));
    }

    public function kit(Request $request, string $knot): JsonResponse
    {
        $this->held($request);

        return new JsonResponse($this->corner->kit($knot, $this->asked($request, 'method'), $this->asked($request, 'view') === 'left' ? 'left' : 'learner'));
    }

    public function pictures(Request $request): JsonResponse
    {
        $this->held($request);

        return new JsonResponse(['pictures' => $this->corner->pictures($this->asked($request, 'view') === 'left' ? 'left' : 'learner')]);
    }

    public function space(Request $request, string $knot, KnotSpace $space): JsonResponse
    {
        $this->held($request);

        return new JsonResponse($this->asked($request, 'pulled') === 'yes' ? $space->pulled($knot) : $space->of($knot, $this->asked($request, 'method')));
    }

    public function drawn(Request $request, NameDrawing $name): JsonResponse
    {
        $this->held($request);

        return new JsonResponse($name($this->fields($request)));
    }

    public function practised(Request $request, HintDays $hint): JsonResponse
    {
        return new JsonResponse(['taken' => $hint($this->held($request), $this->fields($request)->objects('days'))]);
    }

    public function cards(Request $request, CardList $cards): JsonResponse
    {
        return new JsonResponse($cards->of($this->group($request)));
    }

    public function make(Request $request, KeepCard $keep): JsonResponse
    {
        return new JsonResponse(CardList::card($keep->make($this->group($request), $this->fields($request))), 201);
    }

    public function hint(Request $request, PracticeCard $card, KeepCard $keep): JsonResponse
    {
        return new JsonResponse(CardList::card($keep->hint($card, $this->fields($request)->flag('hints'))));
    }

    public function end(PracticeCard $card, KeepCard $keep): Response
    {
        $keep->withdraw($card);

        return new Response(status: 204);
    }

    public function setHome(Request $request, string $knot, HomeKnots $home): JsonResponse
    {
        $home->set($this->group($request), $knot, $this->fields($request)->flag('home'));

        return new JsonResponse(['home' => $home->of($this->group($request))]);
    }

    /** The code comes in a header: addresses are written down on the way. */
    private function held(Request $request): PracticeCard
    {
        return $this->open->card($request->headers->get('X-Practice') ?? '', $request->ip() ?? '');
    }
}
