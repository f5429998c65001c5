<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Adds check events to the record, all or none, and derives the standings they touch. An event that is there already
 * is left as it is and answered as it was.
 */
final readonly class RecordChecks
{
    public function __construct(private ReadCheckEvent $read, private DeriveStandings $derive)
    {
    }

    /** @return list<array{id: string, verdict: string, level: ?string, next: string}> */
    public function __invoke(User $by, Fields $batch): array
    {
        $group = $by->group;
        $received = CarbonImmutable::now();
        $sent = CarbonImmutable::parse($batch->text('sent_at'));
        $this->read->clock($received, $sent);

        return DB::transaction(function () use ($group, $by, $batch): array {
            $entries = $batch->objects('events');
            $this->lockLearners($group, $entries);
            $known = $this->known($group, $entries);
            $answers = [];
            foreach ($entries as $entry) {
                $id = strtolower($entry->text('id'));
                if (! isset($known[$id])) {
                    $known[$id] = $this->derive->add(($this->read)($group, $by, $entry));
                }
                $answers[] = self::answer($known[$id]);
            }
            $this->derive->write();

            return $answers;
        }, 3);
    }

    /**
     * Whoever records for the same learner at the same time waits, so that standings are derived from all events.
     *
     * @param  list<Fields>  $entries
     */
    private function lockLearners(Group $group, array $entries): void
    {
        $asked = [];
        foreach ($entries as $entry) {
            $asked[strtolower($entry->text('learner'))] = $entry;
        }
        ksort($asked);
        $own = $group->learners()->reorder('id')->whereIn('id', array_keys($asked))->lockForUpdate()->pluck('id')->all();
        foreach ($asked as $id => $entry) {
            if (! in_array($id, $own, true)) {
                throw Refusal::of($entry->place('learner'), $entry->text('learner'), 'a learner of your group');
            }
        }
    }

    /**
     * @param  list<Fields>  $entries
     * @return array<string, CheckEvent> by id
     */
    private function known(Group $group, array $entries): array
    {
        $places = [];
        foreach ($entries as $entry) {
            $places[strtolower($entry->text('id'))] = $entry;
        }
        $known = [];
        /** @var CheckEvent $event */
        foreach (CheckEvent::query()->whereIn('id', array_keys($places))->get() as $event) {
            if ($event->group_id !== $group->id) {
                throw Refusal::of($places[$event->id]->place('id'), $event->id, 'a new id, made for this event');
            }
            $known[$event->id] = $event;
        }

        return $known;
    }

    /** @return array{id: string, verdict: string, level: ?string, next: string} */
    private static function answer(CheckEvent $event): array
    {
        return ['id' => $event->id, 'verdict' => $event->verdict->value, 'level' => $event->answer_level, 'next' => $event->answer_next];
    }
}
