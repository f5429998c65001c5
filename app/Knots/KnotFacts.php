<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\Words;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Rope;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Teaching\NextKnots;

/**
 * What a group adds to its knots: which of its badges want them, how much of its ropes they take, who may learn them next.
 */
final readonly class KnotFacts
{
    public function __construct(private Library $library, private Packs $packs, private KnotView $knots, private OwnMeasures $measures)
    {
    }

    /** @return array{badges: list<string>, ropes: list<array<string, mixed>>} */
    public function of(Group $group, string $id, ?string $method): array
    {
        $knot = $this->library->knot($id);
        $turns = $this->knots->turns($id, $method);
        $words = Words::asked();
        $own = $this->measures->of($group)[$id] ?? null;
        $ropes = $group->ropes()->get()->map(function (Rope $rope) use ($group, $knot, $turns, $own, $words): array {
            $inHand = $rope->inHandFor($knot);
            $tail = $this->packs->tails()->required($knot->tailClass, $inHand, $group->tail_school, $group->backup);
            $use = RopeUse::of($knot, $inHand, $tail, $turns, own: $own);

            return [
                'name' => $knot->tailClass === TailClass::Tape ? $words->say($inHand->said()) : $rope->name, 'usual' => $rope->is_usual, 'laid' => $inHand->material->isLaid(),
                'used_mm' => (int) round($use->used), 'tail_mm' => $use->tail, 'total_mm' => (int) round($use->total()), 'reason' => $words->say($use->reason), 'tail_reason' => $words->say($tail->reason),
                'object_mm' => $turns === [] ? null : (int) RopeUse::STAVE,
            ];
        });

        return ['badges' => $this->wantedBy($group)[$id] ?? [], 'ropes' => array_values($ropes->all())];
    }

    /** @return array<string, list<string>> the names of the group's badges by the knots that they want */
    public function wantedBy(Group $group): array
    {
        $wanted = [];
        $shelf = $group->shelf();
        foreach ($group->badges()->get() as $chosen) {
            $badge = $shelf->badge($chosen->badge);
            foreach ($badge->knots() as $knot) {
                $wanted[$knot][] = $badge->name;
            }
        }

        return $wanted;
    }

    /** @return list<string> */
    public function next(Learner $learner): array
    {
        return NextKnots::of($this->library, GroupState::levels($learner));
    }
}
