<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AddLearners;
use App\Boards\CrewBoard;
use App\Boards\LearnerPage;
use App\Models\Learner;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class CrewController extends Controller
{
    public function board(Request $request, CrewBoard $board): JsonResponse
    {
        return new JsonResponse($board->of($this->group($request)));
    }

    public function learner(Request $request, Learner $learner, LearnerPage $page): JsonResponse
    {
        return new JsonResponse($page->of($this->group($request), $learner));
    }

    public function add(Request $request, AddLearners $add): JsonResponse
    {
        $learners = $add($this->group($request), $this->fields($request)->objects('learners'));

        return new JsonResponse(['learners' => array_map(LearnerPage::about(...), $learners)], 201);
    }
}
