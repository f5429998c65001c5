<?php

declare(strict_types=1);

namespace App\Crew;

use App\Awards\Credit;
use App\Knots\KnotNames;
use App\Models\Award;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Marks;
use App\Models\PracticeDay;
use App\Models\Standing;
use App\Models\User;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Teaching\BadgePack;

/**
 * One learner: badges requirement by requirement, and every check there is.
 */
final readonly class LearnerPage
{
    public function __construct(private KnotNames $names)
    {
    }

    /**
     * @param  ?GroupState  $state  where it has been read already
     * @return array<string, mixed>
     */
    public function of(Group $group, Learner $learner, ?GroupState $state = null): array
    {
        $state ??= GroupState::of($group);
        $learner = $state->own($learner);
        $query = CheckEvent::query()->where('learner_id', $learner->id);
        $query->orderByDesc('corrected_at')->orderByDesc('device_seq')->limit(500);
        $events = $query->get();
        $names = User::everOf($group)->pluck('name', 'id');
        $open = $state->badgesOf($learner);
        $badges = array_map(
            static fn (BadgePack $badge, array $proof): array => GroupState::progress($badge, $learner) + ['outline' => $proof['outline']],
            $open, (new Credit($group))->proofs($open, $learner),
        );
        $takenBack = $events->where('kind', Kind::Retract)->pluck('target')->all();

        return [
            'learner' => $learner->about(),
            'archived' => $learner->archived_at !== null,
            'marks' => (object) $learner->standings->mapWithKeys(fn (Standing $standing): array => [$standing->knot => Marks::of($standing, $state->today)])->all(),
            'badges' => $badges,
            'history' => array_values($events->where('kind', '!=', Kind::Retract)->map(fn (CheckEvent $event): array => self::entry($event, $names->all(), in_array($event->id, $takenBack, true)))->all()),
            'knots' => (object) $this->names->all(),
            'awards' => array_values($learner->awards->map(static fn (Award $award): array => ['id' => $award->id, 'badge' => $award->badge, 'name' => $award->name, 'decided_on' => $award->decided_on, 'handed_on' => $award->handed_on])->all()),
            'practised' => PracticeDay::lastOf($learner),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $names
     * @return array<string, mixed>
     */
    private static function entry(CheckEvent $event, array $names, bool $takenBack): array
    {
        return [
            'id' => $event->id, 'kind' => $event->kind->value, 'knot' => $event->knot, 'day' => $event->day, 'by' => self::who($names, $event->by), 'sent_by' => $event->sent_by === null ? null : self::who($names, $event->sent_by),
            'verdict' => $event->verdict->value, 'tying' => $event->tying->value, 'dressing' => $event->dressing->value, 'tail' => $event->tail->value,
            'prompts' => $event->prompts, 'how' => $event->how, 'measured_mm' => $event->measured_mm, 'took_s' => $event->took_s, 'mistake' => $event->mistake, 'note' => $event->note, 'rig' => $event->rig_name,
            'taken_back' => $takenBack, 'clock_off' => $event->clock_off_s !== 0, 'day_by_server' => $event->day_by_server,
        ];
    }

    /** @param  array<array-key, mixed>  $names */
    private static function who(array $names, string $id): string
    {
        return is_string($names[$id] ?? null) ? $names[$id] : 'someone';
    }
}
