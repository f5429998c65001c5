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
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Plan\Ban;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\Plan\PlanSettings;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\TimeModel;
use Compadre\Core\Teaching\UnmetNeed;
use stdClass;

/**
 * Plans a term. Meetings before now are left alone.
 */
final readonly class PlanOperation implements Operation
{
    public function __construct(private Library $library)
    {
    }

    public function name(): string
    {
        return 'plan';
    }

    public function input(): array
    {
        $level = Schemas::choice(Level::class);
        $memory = Schemas::object(['half_life_days' => ['type' => 'number', 'exclusiveMinimum' => 0], 'last_day' => Schemas::day()]);
        $texts = Schemas::listOf(Schemas::text());
        $byKnot = static fn (array $of): array => ['type' => 'object', 'additionalProperties' => $of];

        return Schemas::object([
            'now' => Schemas::now(),
            'learners' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'band' => Schemas::choice(AgeBand::class), 'levels' => $byKnot($level),
                'memories' => $byKnot($memory), 'badges' => $texts, 'away' => $texts + ['description' => 'meetings not expected at'],
            ], ['levels', 'memories', 'away'])) + ['maxItems' => 500],
            'badges' => Schemas::listOf(Schemas::object(['pack' => ['type' => 'object', 'description' => 'as packs/schema/badge.schema.json'], 'due_on' => ['type' => ['string', 'null'], 'format' => 'date']], ['due_on'])),
            'meetings' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'date' => Schemas::day(), 'minutes' => ['type' => 'integer', 'minimum' => 10, 'maximum' => 1440],
                'checkers' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 50], 'objects' => $texts + ['description' => 'kinds of object there to tie to; left out: all'],
                'rigs' => $texts + ['description' => 'those chosen for it'],
            ], ['objects', 'rigs'])) + ['maxItems' => 120],
            'rigs' => Schemas::listOf(Schemas::object(['id' => Schemas::text(), 'minutes' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 240], 'knots' => $texts + ['minItems' => 1]])) + ['description' => 'in which knots can be put to use where time is left'],
            'settings' => Schemas::object(['old_share' => ['type' => 'number', 'minimum' => 0, 'maximum' => 0.5], 'new_knots' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 10]], ['old_share', 'new_knots']),
            'pins' => $byKnot(['type' => ['string', 'null']]) + ['description' => 'meeting by knot; null leaves it out'],
            'bans' => Schemas::listOf(Schemas::object(['what' => Schemas::text() + ['description' => 'a knot or a family'], 'meeting' => ['type' => ['string', 'null'], 'description' => 'null: all']])),
            'previous' => $byKnot(['type' => ['string', 'null']]) + ['description' => 'meeting by knot as planned before: as few as must are moved'],
        ], ['rigs', 'settings', 'pins', 'bans', 'previous']);
    }

    public function output(): array
    {
        $terms = Schemas::listOf(['type' => 'number']) + ['minItems' => 3, 'maxItems' => 3];
        $meeting = ['type' => ['string', 'null']];

        return Schemas::object([
            'meetings' => Schemas::listOf(Schemas::object(['id' => Schemas::text(), 'blocks' => Schemas::listOf(['type' => 'object'])])),
            'unmet' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'level' => ['type' => 'string'], 'learners' => Schemas::listOf(Schemas::text()), 'reason' => Schemas::text(600), 'remedy' => Schemas::text(400)])),
            'shown_in' => ['type' => 'object', 'additionalProperties' => $meeting],
            'completes' => Schemas::listOf(Schemas::object(['learner' => Schemas::text(), 'badge' => Schemas::text(), 'meeting' => $meeting])),
            'moved' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'from' => $meeting, 'to' => $meeting])),
            'objective' => $terms + ['description' => 'unmet, completion, crowding'], 'bound' => $terms, 'proven' => ['type' => 'boolean'],
        ]);
    }

    public function run(Fields $input): array
    {
        $now = Schemas::dayOf($input);
        [$badges, $dates] = [[], []];
        foreach ($input->objects('badges') as $chosen) {
            $badge = BadgePack::from($chosen->object('pack'));
            foreach ($badge->knots() as $knot) {
                if (! $this->library->knot($knot, $chosen->place('pack'))->isTaught()) {
                    throw Refusal::of($chosen->place('pack'), $knot, 'knots for learners: this one is a usual mistake, or for leaders only');
                }
            }
            if (isset($badges[$badge->id])) {
                throw Refusal::of($chosen->place('pack').'/id', $badge->id, 'a badge once');
            }
            $badges[$badge->id] = $badge;
            $dates[$badge->id] = $chosen->textOrNull('due_on');
        }
        $rigs = $this->rigs($input);
        $meetings = array_values(array_filter($this->meetings($input, $rigs), static fn (PlanMeeting $meeting): bool => $meeting->date >= $now));
        $settings = $input->objectOrNull('settings');
        $plan = CoursePlanner::plan($this->learners($input), $badges, $dates, $meetings, $this->library, new PlanSettings(
            $settings?->number('old_share', TimeModel::OLD_SHARE) ?? TimeModel::OLD_SHARE, $settings?->wholeOrNull('new_knots'),
            self::places($input, 'pins'), array_map(static fn (Fields $ban): Ban => new Ban($ban->text('what'), $ban->textOrNull('meeting')), $input->objects('bans')),
            $input->has('previous') ? self::places($input, 'previous') : null, rigs: $rigs,
        ));
        $blocks = [];
        foreach ($plan->meetings as $id => $of) {
            $blocks[] = ['id' => (string) $id, 'blocks' => array_map(static fn (Block $block): array => $block->toArray(), $of)];
        }

        return [
            'meetings' => $blocks, 'unmet' => array_map(static fn (UnmetNeed $need): array => $need->toArray(), $plan->unmet),
            'shown_in' => $plan->shownIn === [] ? new stdClass : $plan->shownIn, 'completes' => $plan->completes, 'moved' => $plan->moved,
            'objective' => $plan->objective->terms(), 'bound' => $plan->bound->terms(), 'proven' => $plan->proven,
        ];
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
                throw Refusal::of($rig->place('id'), $id, 'a rig once');
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
                throw Refusal::of($meeting->place('rigs').'/'.$index, $rig, $rigs === [] ? 'nothing: no rigs were given' : 'one of '.implode(', ', array_keys($rigs)));
            }
        }

        return $meeting->texts('rigs');
    }

    /**
     * @param  array<string, PlanRig>  $rigs
     * @return list<PlanMeeting> by date
     */
    private function meetings(Fields $input, array $rigs): array
    {
        $meetings = [];
        foreach ($input->objects('meetings') as $meeting) {
            $id = $meeting->text('id');
            if (isset($meetings[$id])) {
                throw Refusal::of($meeting->place('id'), $id, 'a meeting once');
            }
            $meetings[$id] = new PlanMeeting($id, $meeting->text('date'), $meeting->whole('minutes'), $meeting->whole('checkers'), $meeting->has('objects') ? $meeting->texts('objects') : null, $this->chosen($meeting, $rigs));
        }
        $meetings = array_values($meetings);
        usort($meetings, static fn (PlanMeeting $a, PlanMeeting $b): int => [$a->date, $a->id] <=> [$b->date, $b->id]);

        return $meetings;
    }

    /** @return list<PlanLearner> */
    private function learners(Fields $input): array
    {
        $learners = [];
        foreach ($input->objects('learners') as $learner) {
            $id = $learner->text('id');
            if (isset($learners[$id])) {
                throw Refusal::of($learner->place('id'), $id, 'a learner once');
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
            $learners[$id] = new PlanLearner($id, AgeBand::from($learner->text('band')), $levels, $memories, $learner->texts('badges'), $learner->texts('away'));
        }

        return array_values($learners);
    }

    /** @return array<string, ?string> */
    private static function places(Fields $input, string $name): array
    {
        $places = [];
        foreach ($input->has($name) ? $input->object($name)->raw() : [] as $knot => $meeting) {
            $places[(string) $knot] = is_string($meeting) ? $meeting : null;
        }

        return $places;
    }
}
