<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\LivesElsewhere;
use App\Http\NoGroup;
use App\Models\Device;
use App\Models\Group;
use App\Models\LeftCheck;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Takes what still waits on a phone that was signed out from elsewhere, or whose owner's access has ended. It opens nothing: what
 * comes in is put aside, and goes into the record only when a lead takes it in.
 */
final readonly class HandInChecks
{
    /** So many may be put aside for one person; a phone that has more is broken, or somebody plays with it. */
    private const MOST = 2000;

    public function __construct(private RecordChecks $record)
    {
    }

    /** What a phone proves by that it was signed in here, without being signed in any more. */
    public static function key(User $user, Device $device): string
    {
        return "$device->id.$user->id.".self::seal($device->id, $user->id);
    }

    /**
     * @param  Fields  $asked  key, sent_at, events
     * @return bool whether access from that phone has ended; where it has not, nothing is taken: whoever owns it signs in again
     *
     * @throws Refusal for a key that was not given out here
     */
    public function handIn(Fields $asked): bool
    {
        [$device, $person, $seal] = explode('.', $asked->text('key').'..');
        $user = hash_equals(self::seal($device, $person), $seal) ? User::query()->find($person) : null;
        if ($user === null) {
            throw Refusal::of('/key', null, 'check.unknown_device');
        }
        $known = Device::query()->where('user_id', $user->id)->find($device);
        if ($known !== null && $known->revoked_at === null && $known->open($user) !== null) {
            return false;
        }
        // Of several groups, the one that was open on it.
        $group = $user->memberships()->with('group')->orderByRaw('group_id <=> ? desc', [$known?->group_id])->latest('until')->first()?->group;
        if ($group !== null) {
            LivesElsewhere::hold($group);
            NoGroup::holdOpen($group);
            $this->putAside($user, $group->id, $asked);
        }

        return true;
    }

    private function putAside(User $user, string $group, Fields $asked): void
    {
        $received = CarbonImmutable::now()->utc()->format('Y-m-d H:i:s.v');
        $sent = CarbonImmutable::parse($asked->text('sent_at'))->utc()->format('Y-m-d H:i:s.v');
        $rows = [];
        foreach ($asked->objects('events') as $event) {
            $rows[] = [
                'id' => strtolower($event->text('id')), 'group_id' => $group, 'user_id' => $user->id, 'learner_id' => strtolower($event->text('learner')),
                'event' => json_encode(['by' => $user->id] + $event->raw(), JSON_THROW_ON_ERROR), 'sent_at' => $sent, 'received_at' => $received,
            ];
        }
        if (LeftCheck::query()->where('user_id', $user->id)->count() + count($rows) > self::MOST) {
            throw Refusal::of('/events', count($rows), 'check.waiting_full', ['most' => self::MOST]);
        }
        DB::table('left_checks')->insertOrIgnore($rows);
    }

    /**
     * A lead takes them into the record, under both names: all of these, or none where one cannot be taken.
     *
     * @param  list<string>  $ids
     * @return int how many
     */
    public function accept(User $lead, Group $group, array $ids): int
    {
        return DB::transaction(function () use ($lead, $group, $ids): int {
            $waiting = LeftCheck::query();
            $waiting->where('group_id', $group->id)->whereIn('id', $ids)->orderBy('received_at')->orderBy('id')->lockForUpdate();
            $left = $waiting->get();
            foreach ($left->groupBy(fn (LeftCheck $one): string => $one->user_id.' '.$one->sent_at->format('U.v')) as $batch) {
                $first = $batch->firstOrFail();
                ($this->record)($lead, Fields::of([
                    'sent_at' => $first->sent_at->format('Y-m-d\TH:i:s.v\Z'),
                    'events' => array_values($batch->sortBy(fn (LeftCheck $one): int => (int) ($one->event['device_seq'] ?? 0))->map(fn (LeftCheck $one): array => $one->event)->all()),
                ]), CarbonImmutable::parse($first->received_at));
            }
            $this->refuse($group, array_values($left->pluck('id')->all()));

            return $left->count();
        });
    }

    /** @param  list<string>  $ids */
    public function refuse(Group $group, array $ids): void
    {
        LeftCheck::query()->where('group_id', $group->id)->whereIn('id', $ids)->delete();
    }

    private static function seal(string $device, string $user): string
    {
        return hash_hmac('sha256', "hand-in $device $user", config()->string('app.key'));
    }
}
