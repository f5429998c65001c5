<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * A badge that a lead has decided for a learner: to be handed over, handed over, or taken back.
 *
 * @property string $id
 * @property string $group_id
 * @property string $learner_id
 * @property string $badge
 * @property int $version that it was met in
 * @property string $name of the badge, as it was called then
 * @property array<string, mixed> $proof the badge's requirements, each with what met it, as it stood then
 * @property bool $by_hand on a leader's word, whether or not everything was met here
 * @property ?string $why of one by hand
 * @property string $decided_on as 2026-11-24
 * @property string $decided_by
 * @property ?string $meeting_id at which it is to be handed over, or was
 * @property ?string $handed_on
 * @property ?string $handed_by
 * @property ?string $taken_back_on
 * @property ?string $taken_back_by
 * @property ?string $taken_back_why
 * @property ?string $subject whose it is, in what is signed: a number that stands for nobody outside
 * @property ?string $status_list_id where it is said whether what is signed was taken back
 * @property ?int $status_place
 * @property ?string $token the signed badge
 * @property bool $named whether the learner's name stands in it
 * @property ?CarbonImmutable $signed_at
 * @property Learner $learner
 * @property ?Meeting $meeting
 */
final class Award extends Row
{
    use HasUuids;

    /** What is shown of it wherever it is named. */
    public const SHOWN = ['id', 'learner_id', 'badge', 'name', 'decided_on', 'handed_on'];

    /** All but what met it and what is signed, which are long. */
    public const LISTED = [...self::SHOWN, 'version', 'by_hand', 'why', 'decided_by', 'meeting_id', 'handed_by', 'taken_back_on', 'taken_back_by', 'taken_back_why', 'named', 'signed_at'];

    protected $table = 'awards';

    protected function casts(): array
    {
        return ['version' => 'integer', 'proof' => 'array', 'by_hand' => 'boolean', 'status_place' => 'integer', 'named' => 'boolean', 'signed_at' => 'immutable_datetime'];
    }

    /**
     * Who is to be handed a badge where, or was on that day.
     *
     * @return array<string, list<string>> learners by meeting, once for each badge
     */
    public static function toHandOver(Group $group): array
    {
        $awards = self::query();
        $awards->join('meetings', 'meetings.id', '=', 'awards.meeting_id')->where('awards.group_id', $group->id)->whereNull('taken_back_on')
            ->where(fn (Builder $when): Builder => $when->whereNull('handed_on')->orWhereColumn('handed_on', 'meetings.date'))->orderBy('name')->orderBy('learner_id');
        $learners = [];
        foreach ($awards->get(['meeting_id', 'learner_id']) as $award) {
            $learners[(string) $award->meeting_id][] = $award->learner_id;
        }

        return $learners;
    }

    /**
     * Lets whoever looks at what was signed of them know that it was taken back.
     *
     * @param  Builder<self>  $awards
     */
    public static function markTakenBack(Builder $awards): void
    {
        foreach ($awards->whereNotNull('status_place')->get(['status_list_id', 'status_place']) as $award) {
            DB::table('status_places')->where('list_id', $award->status_list_id)->where('place', $award->status_place)->update(['taken_back' => true]);
        }
    }

    /** @return BelongsTo<Learner, $this> */
    public function learner(): BelongsTo
    {
        return $this->belongsTo(Learner::class);
    }

    /** @return BelongsTo<Meeting, $this> */
    public function meeting(): BelongsTo
    {
        return $this->belongsTo(Meeting::class);
    }
}
