<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChooseMemory;
use App\Actions\KeepBadge;
use App\Actions\KeepHouse;
use App\Boards\HouseView;
use App\Boards\MemoryBoard;
use App\Boards\PeopleView;
use App\Models\Learner;
use App\Models\Rope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class GroupController extends Controller
{
    public function show(Request $request, HouseView $house): JsonResponse
    {
        return new JsonResponse($house->of($this->group($request)));
    }

    public function change(Request $request, KeepHouse $keep, HouseView $house): JsonResponse
    {
        $keep->change($this->group($request), $this->fields($request));

        return new JsonResponse($house->of($this->group($request)->refresh()));
    }

    public function addRope(Request $request, KeepHouse $keep): JsonResponse
    {
        return new JsonResponse(PeopleView::rope($keep->rope($this->group($request), null, $this->fields($request))), 201);
    }

    public function changeRope(Request $request, Rope $rope, KeepHouse $keep): JsonResponse
    {
        return new JsonResponse(PeopleView::rope($keep->rope($this->group($request), $rope, $this->fields($request))));
    }

    public function removeRope(Request $request, Rope $rope, KeepHouse $keep): Response
    {
        $keep->removeRope($this->group($request), $rope);

        return new Response(status: 204);
    }

    public function saveBadge(Request $request, KeepBadge $keep): JsonResponse
    {
        $pack = $this->fields($request)->object('pack')->raw();
        if ($this->fields($request)->flag('only_check')) {
            $badge = $keep->read($this->group($request), $pack);

            return new JsonResponse(['id' => $badge->id, 'version' => null]);
        }
        $badge = $keep->save($this->user($request), $pack);

        return new JsonResponse(['id' => $badge->id, 'version' => $badge->version], 201);
    }

    public function exportBadge(Request $request, string $badge, HouseView $house): JsonResponse
    {
        return new JsonResponse($house->packOf($this->group($request), $badge), 200, ['Content-Disposition' => "attachment; filename=\"$badge.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }

    public function chooseBadge(Request $request, string $badge, KeepBadge $keep): Response
    {
        $keep->choose($this->group($request), $badge, $this->fields($request)->textOrNull('due_on'));

        return new Response(status: 204);
    }

    public function leaveBadge(Request $request, string $badge, KeepBadge $keep): Response
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

    public function memory(Request $request, MemoryBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request)));
    }

    public function chooseMemory(Request $request, ChooseMemory $choose, MemoryBoard $board): JsonResponse
    {
        $group = $this->group($request);
        $choose($group, $this->fields($request)->text('use') === 'own');

        return new JsonResponse($board->of($group->refresh()));
    }
}
