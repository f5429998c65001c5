<?php

declare(strict_types=1);

namespace App\Awards\Office;

use App\Knots\KnotNames;
use App\Models\Award;
use App\Models\Office;
use App\Models\Submission;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Office\Ledger;
use Compadre\Core\Awards\Office\OnList;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Slip;
use Compadre\Core\Awards\Office\Wish;
use Compadre\Core\Data\Fields;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A group's dealings with an office, in the database.
 */
final readonly class KeptLedger implements Ledger
{
    public function __construct(private Office $office, private KnotNames $names)
    {
    }

    public function unanswered(): array
    {
        $sent = $this->submissions()->where('passage', Passage::Sent)->where('wish', '!=', Wish::Forgotten)->orderBy('list')->orderBy('place')->get(['award_id', 'list']);

        return array_values($sent->map(static fn (Submission $one): OnList => new OnList($one->award_id, (string) $one->list))->all());
    }

    public function nextList(int $most): array
    {
        return DB::transaction(function () use ($most): array {
            $waiting = $this->submissions()->where('passage', Passage::Waiting)->where('wish', Wish::Held)->orderBy('created_at')->orderBy('award_id')->limit($most)->lockForUpdate()->get();
            $key = (string) Str::uuid();
            foreach (array_values($waiting->all()) as $place => $one) {
                $one->update(['passage' => Passage::Sent, 'list' => $key, 'place' => $place, 'requirement' => null, 'reason' => null]);
            }

            return array_values($waiting->map(static fn (Submission $one): OnList => new OnList($one->award_id, $key))->all());
        }, 3);
    }

    public function slips(array $awards): array
    {
        $found = Award::query()->where('group_id', $this->office->group_id)->with('learner:id,name')->whereIn('id', $awards)->get()->keyBy('id');
        $slips = [];
        foreach ($awards as $id) {
            if (isset($found[$id])) {
                $slips[] = Slip::of(Fields::of($found[$id]->only(['id', 'badge', 'version', 'name', 'decided_on', 'by_hand', 'proof'])), $found[$id]->learner->name, $this->names->of(...));
            }
        }

        return $slips;
    }

    public function answered(array $told): void
    {
        DB::transaction(function () use ($told): void {
            foreach ($told as $one) {
                $this->submissions()->where('award_id', $one->award)->where('passage', Passage::Sent)->update([
                    'passage' => $one->taken ? Passage::Taken : Passage::Refused, 'receipt' => $one->receipt, 'requirement' => $one->requirement, 'reason' => $one->reason,
                    'answered_at' => CarbonImmutable::now(),
                ]);
            }
        }, 3);
    }

    public function release(array $awards): void
    {
        DB::transaction(function () use ($awards): void {
            $sent = fn (): Builder => $this->submissions()->whereIn('award_id', $awards)->where('passage', Passage::Sent);
            $sent()->where('wish', Wish::Held)->update(['passage' => Passage::Waiting, 'list' => null]);
            $sent()->where('wish', Wish::TakenBack)->delete();
        }, 3);
    }

    public function toTakeBack(): array
    {
        return $this->ids($this->submissions()->where('passage', Passage::Taken)->where('wish', Wish::TakenBack)->where('told', false));
    }

    public function tookBack(string $award): void
    {
        $this->submissions()->where('award_id', $award)->where('wish', Wish::TakenBack)->update(['told' => true]);
    }

    public function toForget(): array
    {
        return $this->ids($this->submissions()->where('wish', Wish::Forgotten));
    }

    public function forgot(string $award): void
    {
        $this->submissions()->where('award_id', $award)->where('wish', Wish::Forgotten)->delete();
    }

    /** @return array{int, int} how many have been seen to, of how many there are */
    public function progress(): array
    {
        $all = $this->submissions()->count();

        return [$all - self::open($this->submissions())->count(), $all];
    }

    /**
     * Those among them that the office does not know all of.
     *
     * @param  Builder<Submission>  $of
     * @return Builder<Submission>
     */
    public static function open(Builder $of): Builder
    {
        return $of->where(static fn (Builder $open): Builder => $open->whereIn('passage', [Passage::Waiting, Passage::Sent])->orWhere('told', false));
    }

    /**
     * @param  Builder<Submission>  $of
     * @return list<string>
     */
    private function ids(Builder $of): array
    {
        return array_values($of->orderBy('award_id')->get(['award_id'])->map(static fn (Submission $one): string => $one->award_id)->all());
    }

    /** @return Builder<Submission> */
    private function submissions(): Builder
    {
        return Submission::query()->where('office_id', $this->office->id);
    }
}
