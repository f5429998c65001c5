<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\Group;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * What a group is to practise at home. A knot that closes or tightens is never set: at home it wants an adult beside.
 */
final readonly class HomeKnots
{
    public function __construct(private Library $library)
    {
    }

    /** @return list<string> */
    public function of(Group $group): array
    {
        /** @var list<string> */
        return DB::table('home_knots')->where('group_id', $group->id)->orderBy('knot')->pluck('knot')->all();
    }

    /** @throws Refusal for a knot that is not tied alone */
    public function set(Group $group, string $id, bool $isSet): void
    {
        $knot = $this->library->forLearners($id);
        if ($isSet && $knot->withAdult) {
            throw Refusal::of('/knot', $id, 'practice.not_home', ['knot' => $knot->names[0]]);
        }
        if ($isSet && ! $knot->isTaught()) {
            throw Refusal::of('/knot', $id, 'practice.learned');
        }
        if ($isSet) {
            DB::table('home_knots')->insertOrIgnore(['group_id' => $group->id, 'knot' => $id]);
        } else {
            DB::table('home_knots')->where(['group_id' => $group->id, 'knot' => $id])->delete();
        }
    }
}
