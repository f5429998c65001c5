<?php

declare(strict_types=1);

namespace App\Crew;

use App\Awards\Office\TellOffice;
use App\Check\DeriveStandings;
use App\Check\RecordChecks;
use App\Models\Attendance;
use App\Models\Award;
use App\Models\BadgeTick;
use App\Models\CheckEvent;
use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\Learner;
use App\Models\LeftCheck;
use App\Models\Pursuit;
use App\Models\Turn;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\LearnerName;
use Compadre\Core\Teaching\Patrols;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Looks after a learner's entry: renamed, archived and taken back, two entries of one learner made one, and what a whole crew
 * knew before the group began with the app.
 */
final readonly class KeepLearner
{
    public function __construct(private DeriveStandings $derive, private RecordChecks $record, private Library $library, private TellOffice $office)
    {
    }

    public function change(Group $group, Learner $learner, Fields $change): Learner
    {
        $name = LearnerName::tidy($change->text('name', $learner->name));
        $others = $group->learners()->whereKeyNot($learner->id)->get();
        foreach ($others as $other) {
            if (LearnerName::key($other->name) === LearnerName::key($name)) {
                throw Refusal::of('/name', $name, 'crew.name_taken', ['name' => $name]);
            }
        }
        $learner->update([
            'name' => $name, 'age_band' => AgeBand::from($change->text('age_band', $learner->age_band->value)),
            'hand' => array_key_exists('hand', $change->raw()) ? $change->textOrNull('hand') : $learner->hand,
            'patrol' => array_key_exists('patrol', $change->raw()) ? Patrols::meant($change->textOrNull('patrol'), $others->pluck('patrol')) : $learner->patrol,
            'archived_at' => $change->has('archived') ? ($change->flag('archived') ? CarbonImmutable::now() : null) : $learner->archived_at,
        ]);

        return $learner->refresh();
    }

    public function takeBack(Group $group, Learner $archived): Learner
    {
        $group->limits()->holdLearners($group->learners()->count(), 1);

        return $this->change($group, $archived, Fields::of(['archived' => false]));
    }

    /** @param  string  $into  the id of a learner of the group */
    public function mergeInto(Group $group, Learner $from, string $into): void
    {
        $other = $group->learners()->get()->firstWhere('id', $into);
        $this->merge($group, $from, $other ?? throw Refusal::of('/into', $into, 'crew.learner'));
    }

    /** Everything recorded of the one goes to the other, and the one is gone. */
    public function merge(Group $group, Learner $from, Learner $into): void
    {
        if ($from->id === $into->id) {
            throw Refusal::of('/into', $into->id, 'crew.other');
        }
        DB::transaction(function () use ($group, $from, $into): void {
            Turn::at('learners', $from->id, $into->id);
            CheckEvent::query()->where('learner_id', $from->id)->update(['learner_id' => $into->id]);
            foreach (Attendance::query()->where('learner_id', $from->id)->get() as $one) {
                $mark = Attendance::query()->where('meeting_id', $one->meeting_id);
                // Here once is here.
                if ($mark->where('learner_id', $into->id)->exists()) {
                    if ($one->present) {
                        Attendance::query()->where('meeting_id', $one->meeting_id)->where('learner_id', $into->id)->update(['present' => true]);
                    }
                } else {
                    Attendance::query()->where('meeting_id', $one->meeting_id)->where('learner_id', $from->id)->update(['learner_id' => $into->id]);
                }
            }
            Attendance::query()->where('learner_id', $from->id)->delete();
            foreach (Pursuit::query()->where('learner_id', $from->id)->get() as $pursuit) {
                Pursuit::query()->firstOrCreate(['learner_id' => $into->id, 'badge' => $pursuit->badge], ['group_id' => $group->id, 'version' => $pursuit->version]);
            }
            Pursuit::query()->where('learner_id', $from->id)->delete();
            foreach (BadgeTick::query()->where('learner_id', $from->id)->get() as $tick) {
                BadgeTick::query()->firstOrCreate(['learner_id' => $into->id, 'note' => $tick->note], ['group_id' => $group->id, 'ticked_by' => $tick->ticked_by]);
            }
            BadgeTick::query()->where('learner_id', $from->id)->delete();
            $this->mergeAwards($group, $from, $into);
            LeftCheck::query()->where('learner_id', $from->id)->update(['learner_id' => $into->id]);
            // Where both were to be at one station, or practised one knot on one day, one of them is enough.
            foreach (['plan_people', 'practice_days'] as $table) {
                DB::statement("update ignore $table set learner_id = ? where learner_id = ?", [$into->id, $from->id]);
            }
            foreach (['plan_people', 'practice_days', 'practice_cards', 'standings'] as $table) {
                DB::table($table)->where('learner_id', $from->id)->delete();
            }
            $from->delete();
            GoneLearner::query()->create(['id' => $from->id, 'group_id' => $group->id, 'into_id' => $into->id]);
            $this->derive->rebuild($group);
        });
        GoneList::changed();
    }

    /** A badge that both hold is held once: the one that was handed over, else the one that was decided first; the other stays in the record. */
    private function mergeAwards(Group $group, Learner $from, Learner $into): void
    {
        $held = Award::query()->whereIn('learner_id', [$from->id, $into->id])->whereNull('taken_back_on')->orderByRaw('handed_on is null')->orderBy('decided_on')->orderBy('id')->get()->groupBy('badge');
        foreach ($held as $both) {
            foreach ($both->skip(1) as $second) {
                Award::markTakenBack(Award::query()->whereKey($second->id));
                $second->update(['taken_back_on' => $group->today(), 'taken_back_why' => 'Held twice: two entries of one learner were made one.']);
                $this->office->takenBack($group, [$second->id]);
            }
        }
        Award::query()->where('learner_id', $from->id)->update(['learner_id' => $into->id]);
    }

    /** @return int how many knots were written down as had before */
    public function had(User $by, Fields $had): int
    {
        $now = CarbonImmutable::now();
        $device = 'had-before-'.Str::random(8);
        $events = [];
        foreach ($had->texts('learners') as $learner) {
            foreach ($had->texts('knots') as $index => $id) {
                $knot = $this->library->forLearners($id, "/knots/$index");
                $events[] = [
                    'id' => (string) Str::uuid7($now), 'schema' => 1, 'kind' => 'prior', 'learner' => $learner, 'knot' => $knot->id, 'device' => $device, 'device_seq' => count($events) + 1,
                    'observed_at' => $now->toIso8601ZuluString(), 'tying' => 'yes', 'dressing' => $knot->hasDressing ? 'yes' : 'not_applicable', 'tail' => $knot->hasTail ? 'yes' : 'not_applicable', 'how' => 'attested', 'prompts' => 0,
                ];
            }
        }
        ($this->record)($by, Fields::of(['sent_at' => $now->toIso8601ZuluString(), 'events' => $events]));

        return count($events);
    }
}
