<?php

declare(strict_types=1);

namespace App\House\Badges;

use App\House\HouseView;
use App\Http\Controller;
use App\Models\Learner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The badges a group works toward, its own among them, and what is ticked by hand.
 */
final class BadgeController extends Controller
{
    public function save(Request $request, KeepBadge $keep): JsonResponse
    {
        $pack = $this->fields($request)->object('pack')->raw();
        if ($this->fields($request)->flag('only_check')) {
            $badge = $keep->read($this->group($request), $pack);

            return new JsonResponse(['id' => $badge->id, 'version' => null]);
        }
        $badge = $keep->save($this->user($request), $pack);

        return new JsonResponse(['id' => $badge->id, 'version' => $badge->version], 201);
    }

    public function export(Request $request, string $badge, HouseView $house): JsonResponse
    {
        return new JsonResponse($house->packOf($this->group($request), $badge), 200, ['Content-Disposition' => "attachment; filename=\"$badge.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }

    public function choose(Request $request, string $badge, KeepBadge $keep): Response
    {
        $keep->choose($this->group($request), $badge, $this->fields($request)->textOrNull('due_on'), $this->fields($request)->flag('firm', true));

        return new Response(status: 204);
    }

    public function leave(Request $request, string $badge, KeepBadge $keep): Response
    {
        $keep->leave($this->group($request), $badge);

        return new Response(status: 204);
    }

    public function moves(Request $request, string $badge, KeepBadge $keep): JsonResponse
    {
        return new JsonResponse(['moves' => $keep->moves($this->group($request), $badge)]);
    }

    public function move(Request $request, string $badge, KeepBadge $keep): Response
    {
        $keep->move($this->group($request), $badge);

        return new Response(status: 204);
    }

    public function tick(Request $request, Learner $learner, string $note, KeepBadge $keep): Response
    {
        $keep->tick($this->user($request), $learner, $note, $this->fields($request)->flag('met'));

        return new Response(status: 204);
    }
}
