<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\Controller;
use App\Models\Remote;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The room's screen and the phone that steps it. Both ask once a second; where nothing has changed the answer is empty.
 */
final class RemoteController extends Controller
{
    public function __construct(private readonly HandRemote $hand)
    {
    }

    public function offer(Request $request): JsonResponse
    {
        return new JsonResponse($this->hand->offer($this->user($request), $this->fields($request)), 201);
    }

    public function screen(Request $request, Remote $remote): JsonResponse
    {
        return $this->answer($request, $remote);
    }

    public function show(Request $request, Remote $remote): JsonResponse
    {
        return $this->answer($request, $this->hand->show($remote, $this->fields($request)));
    }

    public function end(Remote $remote): Response
    {
        $remote->delete();

        return new Response(status: 204);
    }

    public function take(Request $request): JsonResponse
    {
        return new JsonResponse($this->hand->take($this->fields($request)->text('code')), 201);
    }

    public function phone(Request $request): JsonResponse
    {
        return $this->answer($request, $this->hand->held(self::token($request)));
    }

    public function turn(Request $request): JsonResponse
    {
        return $this->answer($request, $this->hand->turn($this->hand->held(self::token($request)), $this->fields($request)->whole('step')));
    }

    public function turnTo(Request $request): JsonResponse
    {
        $side = $this->fields($request);

        return $this->answer($request, $this->hand->turnTo($this->hand->held(self::token($request)), $side->whole('yaw'), $side->whole('pitch')));
    }

    /** What the phone holds comes in a header: addresses are written down on the way. */
    private static function token(Request $request): string
    {
        return $request->headers->get('X-Remote') ?? '';
    }

    private function answer(Request $request, Remote $remote): JsonResponse
    {
        $response = new JsonResponse($remote->state());
        $response->setEtag($remote->id.'-'.$remote->turn.($remote->isTaken() ? 't' : ''));
        if ($request->isMethod('GET')) {
            $response->isNotModified($request);
        }

        return $response;
    }
}
