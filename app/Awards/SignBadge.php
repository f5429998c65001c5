<?php

declare(strict_types=1);

namespace App\Awards;

use App\Http\Words;
use App\Knots\KnotNames;
use App\Models\Award;
use App\Models\Group;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Credential\Criteria;
use Compadre\Core\Awards\Credential\OpenBadge;
use Compadre\Core\Awards\Proof;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Makes a signed badge of an award, once; with or without the learner's name.
 */
final readonly class SignBadge
{
    public function __construct(private GroupKeys $keys, private StatusLists $lists, private KnotNames $names)
    {
    }

    public function __invoke(Group $group, Award $award, bool $named): Award
    {
        return DB::transaction(function () use ($group, $award, $named): Award {
            $award = Award::query()->whereKey($award->id)->lockForUpdate()->firstOrFail();
            if ($award->taken_back_on !== null) {
                throw Refusal::of('/award', $award->id, 'awards.signed_no_more', ['badge' => $award->name]);
            }
            if ($award->token !== null && $award->named === $named) {
                return $award;
            }
            // Signed anew it is the same badge: whoever has the other form is told of both when it is taken back.
            $place = $award->status_list_id === null || $award->status_place === null ? $this->lists->reserve($group) : [
                'list' => $award->status_list_id, 'uri' => (string) DB::table('status_lists')->where('id', $award->status_list_id)->value('uri'), 'place' => $award->status_place,
            ];
            $subject = $award->subject ?? (string) Str::uuid();
            $award->update([
                'subject' => $subject, 'status_list_id' => $place['list'], 'status_place' => $place['place'], 'named' => $named, 'signed_at' => CarbonImmutable::now(),
                'token' => $this->keys->current($group)->sign($this->badge($group, $award, $subject, $place['uri'], $place['place'], $named ? $award->learner()->firstOrFail()->name : null)->claims()),
            ]);

            return $award->refresh();
        });
    }

    private function badge(Group $group, Award $award, string $subject, string $list, int $place, ?string $learner): OpenBadge
    {
        $pack = $group->shelf()->exactly($award->badge, $award->version);
        $about = Proof::from(Fields::of($award->proof))->about;
        // Where the version it was met in is gone, what it asked for is told in the words of then.
        $criteria = $pack === null ? $about : Criteria::of($pack->requirement, $this->names->of(...), Words::asked());

        return new OpenBadge($award->id, $subject, $this->keys->issuer($group), $group->name, $award->badge, $award->version, $award->name, $about === '' ? $award->name : $about, $criteria === '' ? $award->name : $criteria, $award->decided_on.'T00:00:00Z', $learner, $list, $place);
    }
}
