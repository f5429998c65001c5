<?php

declare(strict_types=1);

namespace App\Crew;

use App\Awards\Office\TellOffice;
use App\Course\KeptPlan;
use App\Models\Attendance;
use App\Models\Award;
use App\Models\BadgeTick;
use App\Models\CheckEvent;
use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\KeptFile;
use App\Models\Learner;
use App\Models\LeftCheck;
use App\Models\PracticeCard;
use App\Models\PracticeDay;
use App\Models\Pursuit;
use App\Models\Standing;
use App\Models\Turn;
use Illuminate\Support\Facades\DB;

/**
 * Takes a learner out for good, with every check and note: the one deletion there is. The bare id stays, so that a phone that
 * was away cannot bring anything back.
 */
final readonly class EraseLearner
{
    public function __construct(private TellOffice $office)
    {
    }

    public function __invoke(Group $group, Learner $learner): void
    {
        DB::transaction(function () use ($group, $learner): void {
            Turn::at('learners', $learner->id);
            $this->office->erased($group, $learner);
            // What was signed may lie anywhere: whoever looks at it is told.
            Award::markTakenBack(Award::query()->where('learner_id', $learner->id));
            foreach ([CheckEvent::class, Standing::class, Attendance::class, Pursuit::class, BadgeTick::class, LeftCheck::class, Award::class, PracticeDay::class, PracticeCard::class] as $kept) {
                $kept::query()->where('learner_id', $learner->id)->delete();
            }
            DB::table('plan_people')->where('learner_id', $learner->id)->delete();
            KeptFile::forgetIn($group);
            $learner->delete();
            GoneLearner::query()->create(['id' => $learner->id, 'group_id' => $group->id]);
        });
        KeptBoard::forget($group);
        KeptPlan::forget($group);
        GoneList::changed();
    }
}
