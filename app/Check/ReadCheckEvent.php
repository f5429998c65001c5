<?php

declare(strict_types=1);

namespace App\Check;

use App\Knots\Packs;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\CheckEvent as CoreEvent;
use Compadre\Core\Checking\Finding;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Observation;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Checking\VerdictRule;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Rigs\RigShelf;
use DateTimeImmutable;
use DateTimeZone;

/**
 * Turns a sent check event into a row of the record, with the verdict the core gives it.
 */
final class ReadCheckEvent
{
    /** A clock that is off by less than this is believed. */
    private const CLOCK_TRUST_S = 3600;

    /** A moment as the database keeps it. */
    private const MOMENT = 'Y-m-d H:i:s.v';

    private int $clockOff = 0;

    private CarbonImmutable $received;

    /** @var array<string, ?Meeting> */
    private array $meetings = [];

    /** @var array<string, bool> whether somebody belongs, or once belonged, to the group */
    private array $people = [];

    private ?string $firstDay = null;

    private ?RigShelf $rigs = null;

    /** @var array<string, true> the ids that are sent together, all by the same person */
    private array $together = [];

    public function __construct(private readonly Library $library, private readonly Packs $packs)
    {
        $this->received = CarbonImmutable::now();
    }

    /** @param  list<string>  $ids  of the events that are sent together */
    public function together(array $ids): void
    {
        $this->together = array_fill_keys(array_map(strtolower(...), $ids), true);
    }

    private function comesWith(string $id): bool
    {
        return isset($this->together[strtolower($id)]);
    }

    /** How far the device's clock is off, from the moment of sending and that of receiving. */
    public function clock(CarbonImmutable $received, CarbonImmutable $sent): void
    {
        $off = (int) round($sent->diffInSeconds($received));
        $this->received = $received;
        $this->clockOff = abs($off) > self::CLOCK_TRUST_S ? $off : 0;
    }

    /**
     * @param  User  $by  who sends it
     * @param  string  $learner  whom it is about now: the entry that was sent may have gone up in another
     */
    public function __invoke(Group $group, User $by, string $learner, Fields $entry): ReadCheck
    {
        $this->holdToGroup($group, $entry);
        $tapped = $this->tapped($group, $by, $entry);
        $knot = $this->library->forLearners($entry->text('knot'), $entry->place('knot'));
        $kind = Kind::from($entry->text('kind'));
        // Plain dates: a batch has hundreds, and each of these takes a tenth of the time.
        $observed = (new DateTimeImmutable($entry->text('observed_at')))->setTimezone(new DateTimeZone('UTC'));
        $corrected = $observed->modify("$this->clockOff seconds");
        $meeting = $this->meeting($group, $entry);
        [$corrected, $day, $byServer] = $this->day($group, $corrected, $meeting);
        self::holdRole($kind, $by, $entry);
        $target = $this->target($group, $by, $kind, $learner, $entry);
        $rig = $this->rig($group, $kind, $knot, $entry);
        $seen = $this->observation($kind, $entry, $knot);
        $finding = $this->finding($kind, $seen, $knot, $group, $entry);

        $row = [
            'id' => strtolower($entry->text('id')), 'schema' => 1, 'kind' => $kind->value, 'group_id' => $group->id,
            'learner_id' => $learner, 'knot' => $knot->id, 'method' => $this->method($knot, $entry),
            'meeting_id' => $meeting?->id, 'device' => $entry->text('device'), 'device_seq' => $entry->whole('device_seq'),
            'observed_at' => $observed->format(self::MOMENT), 'received_at' => $this->received->utc()->format(self::MOMENT), 'corrected_at' => $corrected->format(self::MOMENT), 'clock_off_s' => $this->clockOff,
            'day' => $day, 'day_by_server' => $byServer ? 1 : 0,
            'by' => $tapped, 'sent_by' => $tapped === $by->id ? null : $by->id, 'tying' => $seen->tying->value, 'dressing' => $seen->dressing->value, 'tail' => $finding->tail->value,
            'purpose' => Seen::from($entry->text('purpose', 'not_looked'))->value, 'test' => Seen::from($entry->text('test', 'not_looked'))->value,
            'how' => $seen->how->value, 'measured_mm' => $seen->measured, 'measured_by' => $seen->measured === null ? null : $seen->measuredBy->value,
            'rope' => $entry->has('rope') ? json_encode($entry->objectOrNull('rope')?->raw(), JSON_THROW_ON_ERROR) : null, 'prompts' => $seen->prompts, 'mistake' => $seen->mistake,
            'note' => $entry->textOrNull('note'), 'took_s' => $entry->numberOrNull('took_s'), 'target' => $target, 'rig' => $rig?->id, 'rig_name' => $rig?->name, 'verdict' => $finding->verdict->value,
            'rule_version' => VerdictRule::VERSION, 'pack_version' => $knot->version,
        ];
        $core = new CoreEvent(
            $row['id'], $kind, $learner, $knot->id, $row['device'], $row['device_seq'], $row['corrected_at'], $row['day'], $tapped,
            $finding->verdict, $seen->tying, $seen->dressing, $finding->tail, $seen->prompts, $target,
        );

        return new ReadCheck($row, $core, $finding, $seen, $knot);
    }

    private function holdToGroup(Group $group, Fields $entry): void
    {
        $named = $entry->textOrNull('group');
        if ($named !== null && strtolower($named) !== $group->id) {
            throw Refusal::of($entry->place('group'), $named, 'check.group');
        }
    }

    /**
     * When it was, and on which day. A time before the group's first day or after it arrived cannot be: then it was when it arrived,
     * and the record says so; it is never let go for that.
     *
     * @return array{DateTimeImmutable, string, bool} the moment, the day, and whether the day is the server's
     */
    private function day(Group $group, DateTimeImmutable $corrected, ?Meeting $meeting): array
    {
        $zone = new DateTimeZone($group->time_zone);
        $received = DateTimeImmutable::createFromInterface($this->received)->setTimezone(new DateTimeZone('UTC'));
        $day = $corrected->setTimezone($zone)->format('Y-m-d');
        $arrival = $received->setTimezone($zone)->format('Y-m-d');
        $cannotBe = $day < ($this->firstDay ??= $group->firstDay()) || $corrected->getTimestamp() > $received->getTimestamp() + self::CLOCK_TRUST_S || $meeting !== null && $meeting->date > $arrival;
        if ($cannotBe) {
            return [$received, $arrival, true];
        }

        // A clock that is a little ahead must not make it tomorrow.
        return [min($corrected, $received), $meeting->date ?? min($day, $arrival), false];
    }

    /** Who tapped it: the sender, unless a lead sends on what another did. */
    private function tapped(Group $group, User $by, Fields $entry): string
    {
        $tapped = strtolower($entry->textOrNull('by') ?? $by->id);
        if ($tapped === $by->id) {
            return $tapped;
        }
        if (! $by->role->plans()) {
            throw Refusal::of($entry->place('by'), $tapped, 'check.not_yourself');
        }
        $this->people[$tapped] ??= User::everOf($group)->whereKey($tapped)->exists();

        return $this->people[$tapped] ? $tapped : throw Refusal::of($entry->place('by'), $tapped, 'check.stranger');
    }

    /**
     * Helpers check, and take back what they themselves said; the rest is for those who teach. To decide otherwise is never done
     * without a reason.
     */
    private static function holdRole(Kind $kind, User $by, Fields $entry): void
    {
        if (! $by->role->teaches() && ($kind === Kind::Overrule || $kind === Kind::Prior)) {
            throw $kind === Kind::Overrule
                ? Refusal::of($entry->place('kind'), $kind->value, 'check.helper_overrules')
                : Refusal::of($entry->place('kind'), $kind->value, 'check.helper_before');
        }
        if ($kind === Kind::Overrule && trim($entry->textOrNull('note') ?? '') === '') {
            throw Refusal::of($entry->place('note'), $entry->textOrNull('note'), 'check.reason');
        }
    }

    private function observation(Kind $kind, Fields $entry, KnotPack $knot): Observation
    {
        if ($kind === Kind::Prior && ! $entry->has('tying')) {
            return Observation::cleanPass($knot->hasDressing, $knot->hasTail);
        }
        if ($kind === Kind::Retract || $kind === Kind::Used) {
            return Observation::nothing();
        }
        try {
            return Observation::from($entry);
        } catch (Refusal $fault) {
            throw str_starts_with($fault->field, $entry->at) ? $fault : $fault->below($entry->at);
        }
    }

    private function finding(Kind $kind, Observation $seen, KnotPack $knot, Group $group, Fields $entry): Finding
    {
        if ($kind === Kind::Retract || $kind === Kind::Used) {
            return new Finding(Verdict::Incomplete, Seen::NotLooked, null);
        }
        try {
            return (new VerdictRule($this->packs->tails()))->judge($seen, $knot, $group->tail_school, $group->backup);
        } catch (Refusal $fault) {
            throw $fault->below($entry->at);
        }
    }

    /** The rig that a knot was used in; no other event has one. */
    private function rig(Group $group, Kind $kind, KnotPack $knot, Fields $entry): ?RigPack
    {
        $id = $entry->textOrNull('rig');
        if ($kind !== Kind::Used) {
            return $id === null ? null : throw Refusal::of($entry->place('rig'), $id, 'check.no_rig');
        }
        if ($id === null) {
            throw Refusal::of($entry->place('rig'), null, 'check.rig');
        }
        $this->rigs ??= $group->rigs();
        $rig = $this->rigs->rig($id, $entry->place('rig'));

        return in_array($knot->id, $rig->knots(), true) ? $rig : throw Refusal::of($entry->place('knot'), $knot->id, 'check.knot_of_rig', ['rig' => $rig->name, 'list' => $rig->knots()]);
    }

    private function method(KnotPack $knot, Fields $entry): ?string
    {
        $method = $entry->textOrNull('method');
        if ($method !== null && ! in_array($method, $knot->methodIds(), true)) {
            throw Refusal::of($entry->place('method'), $method, 'any.one_of', ['list' => $knot->methodIds()]);
        }

        return $method;
    }

    private function meeting(Group $group, Fields $entry): ?Meeting
    {
        $id = $entry->textOrNull('meeting');
        if ($id === null) {
            return null;
        }
        $this->meetings[$id] ??= $group->meetings()->find(strtolower($id));

        return $this->meetings[$id] ?? throw Refusal::of($entry->place('meeting'), $id, 'course.meeting');
    }

    /** What is taken back or overruled is a check of the same learner and knot; one that has not arrived yet may still come. */
    private function target(Group $group, User $by, Kind $kind, string $learner, Fields $entry): ?string
    {
        $id = $entry->textOrNull('target');
        $about = $kind === Kind::Retract || $kind === Kind::Overrule;
        if ($about && $id === null) {
            throw Refusal::of($entry->place('target'), null, 'check.target');
        }
        if (! $about && $id !== null) {
            throw Refusal::of($entry->place('target'), $id, 'check.no_target');
        }
        if ($id === null) {
            return null;
        }
        $aimed = CheckEvent::query()->find(strtolower($id));
        if (! $by->role->teaches() && ($aimed === null ? ! $this->comesWith($id) : $aimed->by !== $by->id)) {
            throw Refusal::of($entry->place('target'), $id, 'check.not_own');
        }
        if ($aimed !== null && ($aimed->group_id !== $group->id || $aimed->learner_id !== $learner || $aimed->knot !== $entry->text('knot'))) {
            throw Refusal::of($entry->place('target'), $id, 'check.same_subject');
        }

        return strtolower($id);
    }
}
