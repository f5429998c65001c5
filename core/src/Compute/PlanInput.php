<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\Ban;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\Rounds\Aim;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\Pin;
use Compadre\Core\Teaching\Rounds\Promise;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\TimeModel;

/**
 * Reads a term to be planned.
 */
final readonly class PlanInput
{
    public function __construct(private Library $library)
    {
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        $memory = Schemas::object(['half_life_days' => ['type' => 'number', 'exclusiveMinimum' => 0], 'last_day' => Schemas::day()]);
        $texts = Schemas::listOf(Schemas::text());
        $byKnot = static fn (array $of): array => ['type' => 'object', 'additionalProperties' => $of];
        $minutes = ['type' => 'number', 'minimum' => 0, 'maximum' => 240];
        $meeting = ['type' => ['string', 'null'], 'minLength' => 1];

        return Schemas::object([
            'now' => Schemas::now(),
            'learners' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'band' => Schemas::choice(AgeBand::class), 'levels' => $byKnot(Schemas::choice(Level::class)),
                'memories' => $byKnot($memory), 'badges' => $texts + ['uniqueItems' => true], 'away' => $texts + ['description' => 'meetings not expected at'],
                'patrol' => ['type' => ['string', 'null'], 'minLength' => 1, 'maxLength' => 200, 'description' => 'different patrols are not taught at one station'],
                'ticks' => $texts + ['description' => 'what has been ticked off, as level:knot, or level:knot in rig'],
                'practised' => $byKnot(Schemas::day()) + ['description' => 'the last day it is said to have been practised: taken into the order of old knots in a meeting, and nothing else'],
            ], ['levels', 'memories', 'away', 'patrol', 'ticks', 'practised'])) + ['maxItems' => 500],
            'badges' => Schemas::listOf(Schemas::object([
                'pack' => ['type' => 'object', 'description' => 'as packs/schema/badge.schema.json'], 'due_on' => ['type' => ['string', 'null'], 'format' => 'date'],
                'firm' => ['type' => 'boolean', 'description' => 'true unless given: what is met later does not count'], 'preferences' => $texts + ['description' => 'knots, the dearest first'],
            ], ['due_on', 'firm', 'preferences'])),
            'meetings' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'date' => Schemas::day(), 'minutes' => ['type' => 'integer', 'minimum' => 10, 'maximum' => 1440],
                'checkers' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 50],
                'objects' => ['type' => ['array', 'object'], 'items' => Schemas::text(), 'additionalProperties' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 1000], 'description' => 'kinds of object there to tie to, or how many of each; left out: all'],
                'opening' => $minutes, 'closing' => $minutes, 'rigs' => $texts + ['description' => 'those chosen for it'],
                'awards' => $texts + ['description' => 'learners who are handed a badge there, once for each: a minute, and one for each badge'],
            ], ['objects', 'opening', 'closing', 'rigs', 'awards'])) + ['maxItems' => 120],
            'rigs' => Schemas::listOf(Schemas::object(['id' => Schemas::text(), 'minutes' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 240], 'knots' => $texts + ['minItems' => 1]])) + ['description' => 'in which knots can be put to use'],
            'settings' => Schemas::object([
                'pace' => ['enum' => ['soon', 'keep'], 'description' => 'badges as soon as can be, or as much as can be still known afterwards (unless given)'],
                'factor' => ['type' => 'number', 'minimum' => 0.2, 'maximum' => 5, 'description' => 'the group\'s own, on the minutes of lessons'],
                'new_knots' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 10], 'old_share' => ['type' => 'number', 'minimum' => 0, 'maximum' => 0.5],
                'pass_rates' => $byKnot(['type' => 'number', 'minimum' => 0, 'maximum' => 1]),
            ], ['pace', 'factor', 'new_knots', 'old_share', 'pass_rates']),
            'pins' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'meeting' => $meeting + ['description' => 'null: never'], 'learners' => $texts + ['minItems' => 1]], ['learners'])),
            'bans' => Schemas::listOf(Schemas::object(['what' => Schemas::text() + ['description' => 'a knot or a family'], 'meeting' => $meeting + ['description' => 'null: all']])),
            'previous' => Schemas::listOf(Schemas::object(['learner' => Schemas::text(), 'knot' => Schemas::text(), 'kind' => ['enum' => ['lesson', 'old']], 'meeting' => Schemas::text()])) + ['description' => 'what the plan before promised'],
        ], ['rigs', 'settings', 'pins', 'bans', 'previous']);
    }

    public function course(Fields $input): Course
    {
        $now = Schemas::dayOf($input);
        $rigs = $this->rigs($input);
        $aims = $this->aims($input);
        $meetings = array_values(array_filter($this->meetings($input, $rigs), static fn (Evening $meeting): bool => $meeting->date >= $now));

        return new Course($this->library, $now, $this->learners($input, $aims), $aims, $meetings, $this->wishes($input, $rigs));
    }

    /** @param  array<string, PlanRig>  $rigs */
    private function wishes(Fields $input, array $rigs): Wishes
    {
        $settings = $input->objectOrNull('settings') ?? Fields::of([], '/settings');
        $rates = $settings->has('pass_rates') ? $settings->numbers('pass_rates') : [];
        foreach (array_keys($rates) as $knot) {
            $this->library->knot((string) $knot, $settings->place('pass_rates').'/'.$knot);
        }
        $pins = [];
        foreach ($input->objects('pins') as $pin) {
            $this->taught($pin->text('knot'), $pin->place('knot'));
            $pins[] = new Pin($pin->text('knot'), $pin->textOrNull('meeting'), $pin->has('learners') ? $pin->texts('learners') : null);
        }

        return new Wishes(
            $settings->has('pace') && $settings->text('pace') === 'soon', $settings->number('factor', 1.0), $settings->wholeOrNull('new_knots'),
            $settings->number('old_share', TimeModel::OLD_SHARE), $rates, $pins,
            array_map(static fn (Fields $ban): Ban => new Ban($ban->text('what'), $ban->textOrNull('meeting')), $input->objects('bans')),
            array_map(static fn (Fields $one): Promise => new Promise($one->text('learner'), $one->text('knot'), $one->text('kind') === 'lesson', $one->text('meeting')), $input->objects('previous')),
            $rigs,
        );
    }

    private function taught(string $knot, string $field): void
    {
        if (! $this->library->knot($knot, $field)->isTaught()) {
            throw Refusal::of($field, $knot, 'compute.for_learners');
        }
    }

    /** @return array<string, Aim> by id */
    private function aims(Fields $input): array
    {
        $aims = [];
        foreach ($input->objects('badges') as $chosen) {
            $badge = BadgePack::from($chosen->object('pack'));
            foreach ($badge->knots() as $knot) {
                $this->taught($knot, $chosen->place('pack'));
            }
            if (isset($aims[$badge->id])) {
                throw Refusal::of($chosen->place('pack').'/id', $badge->id, 'compute.badge_once');
            }
            foreach ($chosen->texts('preferences') as $index => $knot) {
                $this->library->knot($knot, $chosen->place('preferences').'/'.$index);
            }
            $aims[$badge->id] = new Aim($badge, $chosen->textOrNull('due_on'), $chosen->flag('firm', true), $chosen->texts('preferences'));
        }

        return $aims;
    }

    /** @return array<string, PlanRig> by id */
    private function rigs(Fields $input): array
    {
        $rigs = [];
        foreach ($input->objects('rigs') as $rig) {
            foreach ($rig->texts('knots') as $index => $knot) {
                $this->library->knot($knot, $rig->place('knots').'/'.$index);
            }
            $id = $rig->text('id');
            if (isset($rigs[$id])) {
                throw Refusal::of($rig->place('id'), $id, 'compute.rig_once');
            }
            $rigs[$id] = new PlanRig($id, $id, $rig->whole('minutes'), array_map(static fn (string $knot): array => [$knot], $rig->texts('knots')));
        }

        return $rigs;
    }

    /**
     * @param  array<string, PlanRig>  $rigs
     * @return list<string>
     */
    private function chosen(Fields $meeting, array $rigs): array
    {
        foreach ($meeting->texts('rigs') as $index => $rig) {
            if (! isset($rigs[$rig])) {
                throw Refusal::of($meeting->place('rigs').'/'.$index, $rig, ...($rigs === [] ? ['compute.no_rigs'] : ['any.one_of', ['list' => array_keys($rigs)]]));
            }
        }

        return $meeting->texts('rigs');
    }

    /**
     * @param  array<string, PlanRig>  $rigs
     * @return list<Evening>
     */
    private function meetings(Fields $input, array $rigs): array
    {
        $meetings = [];
        foreach ($input->objects('meetings') as $meeting) {
            $id = $meeting->text('id');
            if (isset($meetings[$id])) {
                throw Refusal::of($meeting->place('id'), $id, 'compute.meeting_once');
            }
            $meetings[$id] = new Evening(
                $id, $meeting->text('date'), $meeting->whole('minutes'), $meeting->whole('checkers'), $this->objects($meeting),
                $meeting->number('opening', TimeModel::WELCOME), $meeting->number('closing', TimeModel::CLEAR_UP), $this->chosen($meeting, $rigs), $meeting->texts('awards'),
            );
        }

        return array_values($meetings);
    }

    /** @return ?array<string, ?int> how many there are of each kind; null: as many as are wanted */
    private function objects(Fields $meeting): ?array
    {
        if (! $meeting->has('objects')) {
            return null;
        }
        $objects = [];
        foreach ($meeting->object('objects')->raw() as $key => $value) {
            is_int($value) ? $objects[(string) $key] = $value : $objects[is_string($value) ? $value : ''] = null;
        }

        return $objects;
    }

    /**
     * @param  array<string, Aim>  $aims
     * @return list<PlanLearner>
     */
    private function learners(Fields $input, array $aims): array
    {
        $learners = [];
        foreach ($input->objects('learners') as $learner) {
            $id = $learner->text('id');
            if (isset($learners[$id])) {
                throw Refusal::of($learner->place('id'), $id, 'compute.learner_once');
            }
            $levels = $memories = [];
            foreach ($learner->has('levels') ? $learner->object('levels')->raw() : [] as $knot => $level) {
                $this->library->knot((string) $knot, $learner->place('levels'));
                $levels[(string) $knot] = Level::from(is_string($level) ? $level : '');
            }
            foreach ($learner->map('memories') as $knot => $memory) {
                $this->library->knot((string) $knot, $learner->place('memories'));
                $memories[$knot] = Memory::kept($memory->number('half_life_days'), $memory->text('last_day'));
            }
            $practised = [];
            foreach ($learner->has('practised') ? array_keys($learner->object('practised')->raw()) : [] as $knot) {
                $this->library->knot((string) $knot, $learner->place('practised'));
                $practised[(string) $knot] = $learner->object('practised')->text((string) $knot);
            }
            foreach ($learner->texts('badges') as $index => $badge) {
                if (! isset($aims[$badge])) {
                    throw Refusal::of($learner->place('badges').'/'.$index, $badge, ...($aims === [] ? ['compute.no_badges'] : ['any.one_of', ['list' => array_keys($aims)]]));
                }
            }
            $learners[$id] = new PlanLearner($id, AgeBand::from($learner->text('band')), $levels, $memories, $learner->texts('badges'), $learner->texts('away'), array_fill_keys($learner->texts('ticks'), true), $learner->textOrNull('patrol'), $practised);
        }

        return array_values($learners);
    }
}
