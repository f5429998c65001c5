<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\Controller;
use App\Models\Award;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Badges decided, handed over and taken back.
 */
final class AwardController extends Controller
{
    public function __construct(private readonly KeepAward $keep, private readonly AwardBoard $board)
    {
    }

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse($this->board->of($this->group($request)));
    }

    public function show(Request $request, Award $award): JsonResponse
    {
        return new JsonResponse($this->board->one($this->group($request), $award));
    }

    public function decide(Request $request): JsonResponse
    {
        return self::ids($this->keep->decide($this->user($request), $this->fields($request)), 201);
    }

    public function byHand(Request $request): JsonResponse
    {
        return self::ids($this->keep->byHand($this->user($request), $this->fields($request)), 201);
    }

    public function handOver(Request $request): JsonResponse
    {
        return self::ids($this->keep->handOver($this->user($request), $this->fields($request)));
    }

    public function change(Request $request, Award $award): JsonResponse
    {
        return new JsonResponse($this->board->one($this->group($request), $this->keep->change($this->user($request), $award, $this->fields($request))));
    }

    public function takeBack(Request $request, Award $award): JsonResponse
    {
        return new JsonResponse($this->board->one($this->group($request), $this->keep->takeBack($this->user($request), $award, $this->fields($request))));
    }

    /** @param  list<Award>  $awards */
    private static function ids(array $awards, int $status = 200): JsonResponse
    {
        return new JsonResponse(['awards' => array_map(static fn (Award $award): string => $award->id, $awards)], $status);
    }
}
