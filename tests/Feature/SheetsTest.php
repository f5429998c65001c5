<?php

declare(strict_types=1);

use App\Http\ApiDocument;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\OwnRig;
use App\Models\Role;
use App\Models\Standing;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Teaching\LearnerName;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Texts that tables trip over. */
const AWKWARD = ['Plain', 'With, comma', "Two\nlines", 'Say "when"', '=1+1', "-dash\tand tab", "'tis", 'Zoë; Åse', '@home', '5"'];

/** All that is kept of a group's checks, but for when and how they came in. */
function keptChecks(Group $group): array
{
    $rows = DB::table('check_events')->where('group_id', $group->id)->orderBy('id')->get()->map(fn (object $row): array => array_diff_key((array) $row, array_flip(['received_at', 'observed_at', 'clock_off_s', 'sent_by', 'day_by_server', 'answer_level', 'answer_next'])));

    return $rows->all();
}

function keptStandings(Group $group): array
{
    return DB::table('standings')->where('group_id', $group->id)->orderBy('learner_id')->orderBy('knot')->get(['learner_id', 'knot', 'level', 'day'])->map(fn (object $row): array => (array) $row)->all();
}

beforeEach(function (): void {
    [$this->crew, $this->learners] = $this->term();
    $this->list = fn (string $kind, string $more = ''): string => (string) $this->get("/api/sheets/$kind$more")->assertOk()->getContent();
    $this->look = fn (string $kind, string $text): array => $this->api('POST', "/api/sheets/$kind", ['bytes' => base64_encode($text)])->assertOk()->json();
    $this->take = fn (string $kind, string $text): int => $this->api('PUT', "/api/sheets/$kind", ['bytes' => base64_encode($text)])->assertCreated()->json('taken');
    /** Fills the group at random: learners, meetings, store, poles, badges, rigs, ways. */
    $this->fill = function (Randomizer $random): void {
        $one = fn (array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        foreach ($this->learners as $n => $learner) {
            $learner->update(['hand' => $one([null, 'left', 'right']), 'patrol' => $one([null, ...array_map(LearnerName::tidy(...), AWKWARD)]), 'name' => "$n ".trim((string) preg_replace('/\s+/', ' ', $one(AWKWARD)))]);
        }
        $this->crew->meetings()->where('date', '>', '2026-11-24')->each(fn ($meeting) => $meeting->update(['place' => $one([null, ...AWKWARD]), 'minutes' => $random->getInt(15, 120), 'checkers' => $random->getInt(1, 9)]));
        foreach (range(1, $random->getInt(1, 6)) as $n) {
            $count = $random->getInt(1, 9);
            $this->crew->stocks()->create(['name' => "$n {$one(AWKWARD)}", 'kind' => $one(['coil', 'piece']), 'diameter_mm' => $random->getInt(10, 300) / 10, 'material' => $one(['natural', 'nylon', 'hmpe']), 'lay' => $one(['right', 'left', 'braided']), 'colour' => $one([null, ...AWKWARD]), 'ends' => $one(['whipped', 'taped', 'sealed', 'bare']), 'length_mm' => $random->getInt(50, 90_000), 'count' => $count, 'taken' => $random->getInt(0, $count)]);
            $this->crew->poles()->create(['name' => "$n {$one(AWKWARD)}", 'diameter_mm' => $random->getInt(20, 150), 'length_mm' => $random->getInt(500, 6000), 'count' => $random->getInt(1, 40)]);
        }
        foreach (range(1, $random->getInt(1, 3)) as $n) {
            $this->api('POST', '/api/group/badges', ['pack' => ['id' => "own-$n", 'name' => "Own $n", 'about' => $one(AWKWARD), 'ages' => ['from' => 8, 'to' => 13], 'requirement' => ['all' => [['knot' => $one(['bowline', 'sheet-bend', 'overhand']), 'level' => 'has_it'], ['say' => $one(AWKWARD)]]]] + ($n > 1 && $random->getInt(0, 1) === 1 ? ['after' => ['own-1']] : [])])->assertCreated();
            $random->getInt(0, 1) === 0 ?: $this->api('PUT', "/api/group/badges/own-$n", ['due_on' => $one([null, '2027-02-01']), 'firm' => $one([true, false])])->assertNoContent();
        }
        $this->api('POST', '/api/rigs/'.$one(['tripod', 'pole-bundle', 'clothes-line']).'/copies', ['x' => 1]);
        $this->api('POST', '/api/rigs/tripod/copies')->assertCreated();
        $this->api('PUT', '/api/group', ['units' => $one(['mm', 'inches']), 'words' => $one(['leaders', 'learners']), 'tail_school' => $one(['longer', 'fixed', 'diameters']), 'backup' => $one([true, false]), 'old_share' => $random->getInt(0, 4) / 10, 'new_knots' => $one([null, 1, 3])])->assertOk();
        $this->api('POST', '/api/ropes', ['name' => $one(AWKWARD), 'diameter_mm' => $random->getInt(40, 200) / 10, 'material' => 'nylon', 'is_usual' => $one([true, false])])->assertCreated();
    };
    /** Checks at random, of every kind. */
    $this->checked = function (Randomizer $random, int $count): void {
        $one = fn (array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        $events = [];
        for ($n = 0; $n < $count; $n++) {
            $knot = $one(['bowline', 'sheet-bend', 'overhand', 'square-lashing', 'tripod-lashing']);
            $event = $this->pass($one($this->learners), in_array($knot, ['square-lashing', 'tripod-lashing'], true) ? 'clove-hitch' : $knot, array_filter([
                'tying' => $one(['yes', 'yes', 'no']), 'dressing' => 'yes', 'tail' => $one(['yes', 'not_looked']), 'prompts' => $random->getInt(0, 2), 'note' => $one([null, null, ...AWKWARD]), 'purpose' => $one(['yes', 'not_looked']), 'test' => $one(['yes', 'not_looked']),
                'took_s' => $one([null, 12.5]), 'observed_at' => sprintf('2026-11-24T%02d:%02d:07.250Z', $random->getInt(7, 18), $random->getInt(0, 44)), 'device' => $one(['phone', 'tablet']), 'meeting' => $one([null, $this->crew->meetings()->firstOrFail()->id]),
            ], fn (mixed $value): bool => $value !== null));
            if ($random->getInt(0, 3) === 0) {
                $event = ['how' => 'measured', 'measured_mm' => $random->getInt(20, 300), 'measured_by' => $one(['mm', 'gauge']), 'rope' => ['diameter_mm' => 10, 'material' => 'polyester', 'wet' => $one([true, false])]] + $event;
            }
            $aimed = $events === [] ? null : $one($events);
            if ($aimed !== null && $aimed['kind'] === 'result' && $random->getInt(0, 5) === 0) {
                $kind = $one(['retract', 'overrule']);
                $event = array_diff_key(['kind' => $kind, 'target' => $aimed['id'], 'learner' => $aimed['learner'], 'knot' => $aimed['knot'], 'note' => 'A reason'] + $event, $kind === 'retract' ? ['tying' => 1, 'dressing' => 1, 'tail' => 1, 'how' => 1, 'measured_mm' => 1, 'measured_by' => 1, 'rope' => 1] : []);
            } elseif ($random->getInt(0, 9) === 0) {
                $event['kind'] = 'prior';
            }
            $events[] = $event;
        }
        foreach (array_chunk($events, 100) as $some) {
            $this->send(...$some)->assertOk();
        }
    };
});

it('writes each list so that another group reads it back as it was', function (int $seed): void {
    ($this->fill)(new Randomizer(new Mt19937($seed)));
    // Of meetings those still to come go along; what was is over.
    $this->crew->meetings()->where('date', '<=', '2026-11-24')->delete();
    $kinds = ['roster', 'meetings', 'store', 'poles', 'badges', 'rigs', 'ways'];
    $lists = array_combine($kinds, array_map($this->list, $kinds));
    foreach (['badges' => 'BadgesFile', 'rigs' => 'RigsFile', 'ways' => 'WaysFile'] as $kind => $schema) {
        app(ApiDocument::class)->hold(json_decode($lists[$kind]), app(ApiDocument::class)->component($schema));
    }
    foreach ($lists as $kind => $text) {
        $again = ($this->look)($kind, $text);
        expect([$kind, $again['new'], $again['other'], $again['bad'], array_filter(array_column($again['rows'], 'fault'))])->toBe([$kind, 0, 0, 0, []])->and($again['same'])->toBeGreaterThan(0);
    }
    $tabs = ($this->list)('roster', '?between=tabs');
    expect(CsvTable::read($tabs, 99)->delimiter)->toBe("\t")->and(array_values(CsvTable::read($tabs, 99)->rows))->toBe(array_values(CsvTable::read($lists['roster'], 99)->rows));
    $other = Group::query()->create(['name' => 'Tarrow Shore Band', 'time_zone' => 'UTC', 'units' => 'mm', 'age_from' => 8, 'age_to' => 13])->refresh();
    $this->become($this->person($other, Role::Lead, 'other@gullwick.example'));
    foreach ($lists as $kind => $text) {
        expect(($this->look)($kind, $text)['bad'])->toBe(0, $kind);
        expect(($this->take)($kind, $text))->toBeGreaterThan(0);
        expect(($this->list)($kind))->toBe($text, $kind);
    }
})->with(range(1, 12));

it('reads the record of checks back as it was, as a table and as events', function (int $seed): void {
    $random = new Randomizer(new Mt19937($seed));
    ($this->checked)($random, 60);
    [$before, $standings] = [keptChecks($this->crew), keptStandings($this->crew)];
    expect($before)->toHaveCount(60);
    foreach (['results', 'events'] as $kind) {
        $text = ($this->list)($kind);
        foreach ($kind === 'events' ? explode("\n", trim($text)) : [] as $line) {
            app(ApiDocument::class)->hold(json_decode($line), app(ApiDocument::class)->component('NewCheckEvent'));
        }
        expect(($this->look)($kind, $text))->toMatchArray(['same' => 60, 'new' => 0, 'other' => 0, 'bad' => 0, 'left_out' => []]);
        CheckEvent::query()->delete();
        Standing::query()->delete();
        expect(($this->take)($kind, $text))->toBe(60);
        expect(keptChecks($this->crew))->toEqual($before)->and(keptStandings($this->crew))->toEqual($standings)->and(($this->list)($kind))->toBe($text);
    }
})->with(range(21, 28));

it('takes results from paper once, however often they are brought', function (): void {
    $text = "Who;Knot;Date;Result\nAda P.;Bowline;2026-11-24;has it\nAda P.;Bowline;2026-11-24;has it\nBram K.;Bowline;2026-11-24;not yet\nNobody;Bowline;2026-11-24;has it\n";
    $look = ($this->look)('results', $text);
    expect([$look['new'], $look['bad']])->toBe([3, 1])->and($look['rows'][3]['fault'])->toContain('no learner called "Nobody"')->and($look['rows'][0]['says'])->toBe('2026-11-24, Ada P., Bowline');
    $this->refused($this->api('PUT', '/api/sheets/results', ['bytes' => base64_encode($text)]), '/bytes', 'only the good ones');
    expect(CheckEvent::query()->count())->toBe(0);
    $this->api('PUT', '/api/sheets/results', ['bytes' => base64_encode($text), 'leave_bad' => true])->assertCreated()->assertJson(['taken' => 3]);
    $look = ($this->look)('results', $text);
    expect([$look['same'], $look['new'], $look['bad']])->toBe([3, 0, 1])->and(CheckEvent::query()->count())->toBe(3);
    expect($this->learners[0]->refresh()->levels()['bowline']->value)->toBe('has_it')->and(CheckEvent::query()->where('learner_id', $this->learners[1]->id)->sole())->verdict->value->toBe('tie_again');
});

it('takes in what a phone has kept that could not send', function (): void {
    $kept = $this->pass($this->learners[0], 'bowline');
    $file = json_encode(['kept_at' => '2026-11-24T19:00:00Z', 'events' => [$kept + ['who' => 'Ada P.', 'fault' => 'Moved.'], ['knot' => 'lover', 'learner' => $this->learners[1]->id] + $this->pass($this->learners[1], 'bowline'), ['id' => 'x']], 'walk_ins' => [], 'roll' => [], 'clock' => []], JSON_THROW_ON_ERROR);
    $look = ($this->look)('events', $file);
    expect([$look['new'], $look['bad']])->toBe([1, 2])->and($look['rows'][1]['fault'])->toContain('lover');
    $this->api('PUT', '/api/sheets/events', ['bytes' => base64_encode($file), 'leave_bad' => true])->assertCreated()->assertJson(['taken' => 1]);
    expect(CheckEvent::query()->sole()->id)->toBe($kept['id']);
    $this->api('DELETE', "/api/learners/{$this->learners[0]->id}")->assertOk();
    expect(($this->look)('events', $file)['rows'][0]['fault'])->toContain('erased');
});

it('refuses each file that is no list of its kind with a sentence, and rows by their line', function (string $kind, string $text, string $says): void {
    $answer = $this->api('POST', "/api/sheets/$kind", ['bytes' => base64_encode($text)]);
    $said = $answer->getStatusCode() === 422 ? $answer->json('message') : implode(' ', array_column($answer->json('rows'), 'fault'));
    expect($said)->toContain($says);
})->with([
    ['badges', '[', ''], ['badges', '{"format":"compadre-rigs","version":1,"rigs":[]}', 'compadre-badges'], ['rigs', '{"format":"compadre-rigs","version":2,"rigs":[]}', 'another version'],
    ['badges', '{"format":"compadre-badges","version":1,"badges":[{"id":"x","name":"X"}]}', 'About is missing.'], ['rigs', '{"format":"compadre-rigs","version":1,"rigs":[{"origin":"none","pack":{"id":"x"}}]}', 'Origin is "none"'],
    ['rigs', '{"format":"compadre-rigs","version":1,"rigs":[{"origin":"tripod","pack":{"id":"tripod"}}]}', 'no rig of Compadre has'],
    ['ways', '{"format":"compadre-ways","version":1,"ways":{"units":"yards","colour":"red"}}', 'Units is "yards"'], ['events', "{\"id\":1}\nnonsense\n", 'Schema is missing. This is not JSON'], ['events', ' ', 'no check'],
    ['store', "name,length,diameter\nCoil,3000 m,10\nLine,3 m,\n", 'Length is "3000000"; allowed: at least 50 and at most 1000000. The diameter is missing.'], ['poles', "name,length_mm,diameter_mm,count\nAsh,2500,60,0\n", 'Count'], ['results', "day,learner\n\"2026\n", 'never closed'],
]);

it('keeps what a rig is kept safe by, in whatever file it comes', function (): void {
    $this->api('POST', '/api/rigs/hoisted-tool/copies')->assertCreated();
    $file = json_decode(($this->list)('rigs'), true);
    unset($file['rigs'][0]['pack']['gates']);
    $look = ($this->look)('rigs', (string) json_encode($file));
    expect($look['rows'][0])->toMatchArray(['state' => 'bad'])->and($look['rows'][0]['fault'])->toContain('line of the gate');
    expect(OwnRig::query()->sole()->version)->toBe(1);
});

it('lets 500 damages of each list in whole, or not at all', function (string $kind): void {
    $random = new Randomizer(new Mt19937(crc32($kind)));
    ($this->fill)($random);
    ($this->checked)($random, 8);
    $text = ($this->list)($kind);
    $state = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(), ['learners', 'meetings', 'check_events', 'stocks', 'poles', 'badge_packs', 'rig_packs', 'ropes', 'group_badges']);
    $before = $state();
    $refused = 0;
    for ($case = 0; $case < 500; $case++) {
        $bad = $text;
        foreach (range(1, $random->getInt(1, 3)) as $_) {
            $at = $random->getInt(0, max(0, strlen($bad) - 2));
            $bad = match ($random->getInt(0, 4)) {
                0 => substr($bad, 0, $at), 1 => substr_replace($bad, chr($random->getInt(0, 255)), $at, 1), 2 => substr_replace($bad, '', $at, $random->getInt(1, 40)),
                3 => substr_replace($bad, substr($bad, $at, 30), $random->getInt(0, $at), 0), default => substr_replace($bad, ['"', ',', "\n", '{', ']', 'null', '-1', '99999999999'][$random->getInt(0, 7)], $at, 1),
            };
        }
        DB::beginTransaction();
        $answer = $this->api('PUT', "/api/sheets/$kind", ['bytes' => base64_encode($bad)]);
        expect($answer->getStatusCode())->toBeIn([201, 422], "$case: $bad");
        if ($answer->getStatusCode() === 422) {
            $refused++;
            expect($state())->toBe($before)->and($answer->json('errors.0.message'))->not->toBeEmpty();
        }
        DB::rollBack();
    }
    expect($refused)->toBeGreaterThan(100);
})->with(['roster', 'meetings', 'results', 'events', 'store', 'poles', 'badges', 'rigs', 'ways']);
