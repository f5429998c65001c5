<?php

declare(strict_types=1);

namespace App\Crew;

use App\Http\AnswersToKeep;
use App\Http\Controller;
use App\Models\Learner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class CrewController extends Controller
{
    public function board(Request $request, KeptBoard $board): JsonResponse
    {
        return JsonResponse::fromJsonString($board->of($this->group($request)));
    }

    /** What a device keeps of the learners. */
    public function toKeep(Request $request, CrewToKeep $crew): JsonResponse
    {
        return AnswersToKeep::of($crew->of($this->group($request), $this->asked($request, 'meeting')));
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
        return new JsonResponse($keep->change($this->group($request), $learner, $this->fields($request))->about());
    }

    public function merge(Request $request, Learner $learner, KeepLearner $keep): Response
    {
        $keep->mergeInto($this->group($request), $learner, $this->fields($request)->text('into'));

        return new Response(status: 204);
    }

    public function archived(Request $request): JsonResponse
    {
        return new JsonResponse(['learners' => ArchivedList::of($this->group($request))]);
    }

    public function takeBack(Request $request, Learner $archived, KeepLearner $keep): JsonResponse
    {
        return new JsonResponse($keep->takeBack($this->group($request), $archived)->about());
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

        return new JsonResponse(['learners' => array_map(static fn (Learner $learner): array => $learner->about(), $learners)], 201);
    }
}
