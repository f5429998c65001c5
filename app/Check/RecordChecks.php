<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\LivesElsewhere;
use App\Http\NoGroup;
use App\Http\Words;
use App\Models\GoneLearner;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Turn;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Written;
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

    /**
     * @param  ?CarbonImmutable  $arrived  where that was before now: it waited for a lead since
     * @return list<array{id: string, verdict: string, level: ?string, next: string}>
     */
    public function __invoke(User $by, Fields $batch, ?CarbonImmutable $arrived = null): array
    {
        $group = $by->group;
        $entries = $this->opened($batch, $arrived ?? CarbonImmutable::now());
        // Read before anybody waits for anybody, as if every learner were still there; again where one is gone, which is rare.
        $meant = self::asked($entries);
        $read = $this->readAll($group, $by, $meant, $entries);

        return DB::transaction(function () use ($group, $by, $entries, $meant, $read): array {
            // The group does not leave the house while its checks are written.
            $now = Group::query()->sharedLock()->findOrFail($group->id);
            LivesElsewhere::hold($now);
            NoGroup::holdOpen($now);
            $learners = $this->lockLearners($group, $entries);
            if ($learners !== $meant) {
                $read = $this->readAll($group, $by, $learners, $entries);
            }
            $known = $this->known($group, $entries);
            $new = [];
            foreach ($entries as $number => $entry) {
                $id = strtolower($entry->text('id'));
                if (! isset($known[$id]) && ! isset($new[$id]) && $read[$number] !== null) {
                    $new[$id] = $read[$number] instanceof Refusal ? throw $read[$number] : $read[$number];
                }
            }
            $known += $this->derive->record($group, array_values($new));

            return array_map(static fn (Fields $entry): array => isset($known[$id = strtolower($entry->text('id'))]) ? self::answer($known[$id]) : self::gone($id), $entries);
        });
    }

    /**
     * What recording them would do; nothing is written.
     *
     * @return list<Refusal|'new'|'same'|'gone'> for each event: why it is not taken, or whether it is there already, or of somebody erased
     */
    public function look(User $by, Fields $batch): array
    {
        $group = $by->group;
        $entries = $this->opened($batch, CarbonImmutable::now());
        $known = $this->known($group, $entries);
        $read = $this->readAll($group, $by, self::meant($group, $entries), $entries);

        return array_map(static fn (Fields $entry, ReadCheck|Refusal|null $one): Refusal|string => match (true) {
            isset($known[strtolower($entry->text('id'))]) => 'same',
            $one === null => 'gone',
            $one instanceof Refusal => $one,
            default => 'new',
        }, $entries, $read);
    }

    /** @return list<Fields> its events, about to be read: by which clock, and what comes with what */
    private function opened(Fields $batch, CarbonImmutable $received): array
    {
        $entries = $batch->objects('events');
        $this->read->clock($received, CarbonImmutable::parse($batch->text('sent_at')));
        $this->read->together(array_map(static fn (Fields $entry): string => $entry->text('id'), $entries));

        return $entries;
    }

    /**
     * @param  array<string, ?string>  $learners
     * @param  list<Fields>  $entries
     * @return list<ReadCheck|Refusal|null> null for what is about a learner who was erased; a refusal counts only where the event is
     *                                      not there already, for a repeat is answered as it was whatever has changed since
     */
    private function readAll(Group $group, User $by, array $learners, array $entries): array
    {
        return array_map(function (Fields $entry) use ($group, $by, $learners): ReadCheck|Refusal|null {
            $learner = $learners[strtolower($entry->text('learner'))];
            try {
                return $learner === null ? null : ($this->read)($group, $by, $learner, $entry);
            } catch (Refusal $refusal) {
                return $refusal;
            }
        }, $entries);
    }

    /**
     * Whom what is sent is about now: what is sent for an entry that has gone up in another belongs to that one.
     *
     * @param  list<Fields>  $entries
     * @return array<string, ?string> the learner by the id that was sent; null where that one was erased
     */
    private static function meant(Group $group, array $entries): array
    {
        $asked = self::asked($entries);

        return array_replace($asked, GoneLearner::among($group, array_keys($asked)));
    }

    /**
     * @param  list<Fields>  $entries
     * @return array<string, string> the learners that were sent, each by itself
     */
    private static function asked(array $entries): array
    {
        $asked = [];
        foreach ($entries as $entry) {
            $id = strtolower($entry->text('learner'));
            $asked[$id] = $id;
        }

        return $asked;
    }

    /**
     * Whoever records for the same learner at the same time waits, so that standings are derived from all events; what is sent for an
     * erased learner is let go.
     *
     * @param  list<Fields>  $entries
     * @return array<string, ?string> the learner by the id that was sent; null where that one was erased
     */
    private function lockLearners(Group $group, array $entries): array
    {
        $meant = self::meant($group, $entries);
        Turn::at('learners', ...array_values(array_filter($meant)));
        $own = Learner::query()->where('group_id', $group->id)->whereIn('id', array_filter($meant))->pluck('id')->all();
        foreach ($entries as $entry) {
            $learner = $meant[strtolower($entry->text('learner'))];
            if ($learner !== null && ! in_array($learner, $own, true)) {
                throw Refusal::of($entry->place('learner'), $entry->text('learner'), 'crew.learner');
            }
        }

        return $meant;
    }

    /**
     * @param  list<Fields>  $entries
     * @return array<string, array<string, scalar|null>> rows of the record, by id
     */
    private function known(Group $group, array $entries): array
    {
        $places = [];
        foreach ($entries as $entry) {
            $places[strtolower($entry->text('id'))] = $entry;
        }
        $known = [];
        foreach (DB::table('check_events')->whereIn('id', array_keys($places))->get(['id', 'group_id', 'verdict', 'answer_level', 'answer_next']) as $row) {
            if ($row->group_id !== $group->id) {
                throw Refusal::of($places[$row->id]->place('id'), $row->id, 'check.new_id');
            }
            $known[$row->id] = (array) $row;
        }

        return $known;
    }

    /**
     * @param  array<string, scalar|null>  $row
     * @return array{id: string, verdict: string, level: ?string, next: string}
     */
    private static function answer(array $row): array
    {
        return ['id' => (string) $row['id'], 'verdict' => (string) $row['verdict'], 'level' => $row['answer_level'] === null ? null : (string) $row['answer_level'], 'next' => Words::asked()->say(Written::read($row['answer_next']))];
    }

    /**
     * What is said of a check for a learner who was erased: it is done with, and nothing of it was kept.
     *
     * @return array{id: string, verdict: string, level: ?string, next: string}
     */
    private static function gone(string $id): array
    {
        return ['id' => $id, 'verdict' => Verdict::Incomplete->value, 'level' => null, 'next' => Words::asked()->say(new Saying('check.gone'))];
    }
}
