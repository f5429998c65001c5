<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AddLearners;
use App\Actions\EraseLearner;
use App\Actions\KeepLearner;
use App\Actions\WalkIn;
use App\Boards\KeptBoard;
use App\Boards\LearnerPage;
use App\Boards\LearnerRecord;
use App\Models\Learner;
use App\People\GoneList;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class CrewController extends Controller
{
    public function board(Request $request, KeptBoard $board): JsonResponse
    {
        return JsonResponse::fromJsonString($board->of($this->group($request)));
    }

    public function learner(Request $request, Learner $learner, LearnerPage $page): JsonResponse
    {
        return new JsonResponse($page->of($this->group($request), $learner));
    }

    /** All there is of one learner, as a file. */
    public function record(Request $request, Learner $learner, LearnerRecord $record): JsonResponse
    {
        return new JsonResponse($record->of($this->group($request), $learner), 200, ['Content-Disposition' => 'attachment; filename="learner.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function change(Request $request, Learner $learner, KeepLearner $keep): JsonResponse
    {
        return new JsonResponse(LearnerPage::about($keep->change($this->group($request), $learner, $this->fields($request))));
    }

    public function merge(Request $request, Learner $learner, KeepLearner $keep): Response
    {
        $group = $this->group($request);
        $id = $this->fields($request)->text('into');
        $into = $group->learners()->get()->firstWhere('id', $id) ?? throw Refusal::of('/into', $id, 'a learner of your group');
        $keep->merge($group, $learner, $into);

        return new Response(status: 204);
    }

    public function archived(Request $request): JsonResponse
    {
        return new JsonResponse(['learners' => $this->group($request)->archived()->get()->map(LearnerPage::about(...))->values()->all()]);
    }

    public function takeBack(Request $request, Learner $archived, KeepLearner $keep): JsonResponse
    {
        return new JsonResponse(LearnerPage::about($keep->change($this->group($request), $archived, Fields::of(['archived' => false]))));
    }

    public function had(Request $request, KeepLearner $keep): JsonResponse
    {
        return new JsonResponse(['written' => $keep->had($this->user($request), $this->fields($request))], 201);
    }

    /** What lies here is made anew without them; where else copies were written to is told. */
    public function erase(Request $request, Learner $learner, EraseLearner $erase): JsonResponse
    {
        $erase($this->group($request), $learner);

        return new JsonResponse(['backups_elsewhere' => GoneList::elsewhere()]);
    }

    public function walkIn(Request $request, WalkIn $walkIn): JsonResponse
    {
        return new JsonResponse(['learners' => $walkIn($this->group($request), $this->user($request), $this->fields($request)->objects('learners'))], 201);
    }

    public function add(Request $request, AddLearners $add): JsonResponse
    {
        $learners = $add($this->group($request), $this->fields($request)->objects('learners'));

        return new JsonResponse(['learners' => array_map(LearnerPage::about(...), $learners)], 201);
    }
}
