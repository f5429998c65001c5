<?php

declare(strict_types=1);

use App\Check\DeriveStandings;
use App\Models\CheckEvent;
use App\Models\Role;
use App\Models\Standing;
use Carbon\CarbonImmutable;

beforeEach(function (): void {
    $this->crew = $this->group();
    $this->lead = $this->person($this->crew);
    [$this->ada, $this->bram] = $this->learners($this->crew, 'Ada P.', 'Bram K.');
    $this->actingAs($this->lead);
});

function rows(): array
{
    return Standing::query()->orderBy('learner_id')->orderBy('knot')->get()->map(fn (Standing $one): array => $one->getAttributes())->all();
}

it('records a clean pass and derives the standing', function (): void {
    $meeting = $this->meeting($this->crew);
    $answer = $this->send($this->pass($this->ada, more: ['meeting' => $meeting->id]))->assertOk()->json('results.0');
    expect($answer)->toMatchArray(['verdict' => 'has_it', 'level' => 'has_it']);
    expect($answer['next'])->toContain('tie the square knot again');
    $event = CheckEvent::query()->sole();
    expect($event->day)->toBe('2026-11-24')->and($event->by)->toBe($this->lead->id)->and($event->rule_version)->toBe(2)->and($event->purpose->value)->toBe('not_looked');
    expect(Standing::query()->sole()->getAttributes())->toMatchArray(['level' => 'has_it', 'knot' => 'square-knot', 'has_it_since' => '2026-11-24', 'half_life_days' => 7.0, 'two_leaders' => 0]);
});

it('accepts a repeated id once and answers it the same', function (): void {
    $pass = $this->pass($this->ada);
    $first = $this->send($pass)->assertOk()->json();
    $this->send($this->pass($this->ada, more: ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked']))->assertOk();
    expect($this->send($pass)->assertOk()->json())->toBe($first);
    expect($this->send($pass, $pass)->assertOk()->json('results'))->toBe([$first['results'][0], $first['results'][0]]);
    expect(CheckEvent::query()->count())->toBe(2);
});

it('judges a measured tail by the group’s rule', function (): void {
    $short = $this->pass($this->ada, 'bowline', ['tail' => 'not_looked', 'how' => 'measured', 'measured_mm' => 70, 'measured_by' => 'mm', 'rope' => ['diameter_mm' => 10, 'material' => 'polyester']]);
    $answer = $this->send($short)->assertOk()->json('results.0');
    expect($answer['verdict'])->toBe('feed_tail');
    expect($answer['next'])->toContain('30 mm too short');
    expect(CheckEvent::query()->sole()->tail->value)->toBe('no');
});

it('judges a tail of tape by its width', function (): void {
    $sheet = $this->api('GET', '/api/check/water-knot')->assertOk()->json();
    expect($sheet['in_hand'])->toMatchArray(['width_mm' => 25]);
    $tape = ['tail' => 'not_looked', 'how' => 'measured', 'measured_by' => 'mm', 'rope' => $sheet['in_hand']];
    $required = $sheet['tail']['required_mm'];
    expect($this->api('POST', '/api/tail', ['knot' => 'water-knot', 'rope' => $sheet['in_hand'], 'measured_mm' => $required - 10, 'measured_by' => 'mm'])->assertOk()->json('verdict'))->toBe('short');
    $this->send($this->pass($this->ada, 'water-knot', ['measured_mm' => $required - 10] + $tape))->assertOk()->assertJsonPath('results.0.verdict', 'feed_tail');
    $this->send($this->pass($this->bram, 'water-knot', ['measured_mm' => $required + 10] + $tape))->assertOk()->assertJsonPath('results.0.verdict', 'has_it');
});

it('keeps how long a knot took, where somebody wanted to know', function (): void {
    $this->send($this->pass($this->ada, more: ['took_s' => 8.4]), $this->pass($this->bram))->assertOk();
    expect($this->api('GET', "/api/learners/{$this->ada->id}")->json('history.0.took_s'))->toEqual(8.4);
    expect($this->api('GET', "/api/learners/{$this->bram->id}")->json('history.0.took_s'))->toBeNull();
    $this->refused($this->send($this->pass($this->ada, more: ['took_s' => 3601])), '/events/0/took_s', '3600');
});

it('takes back, overrules, and counts what was had before', function (): void {
    $pass = $this->pass($this->ada);
    $this->send($pass);
    $this->send($this->pass($this->ada, more: ['kind' => 'retract', 'target' => $pass['id']]))->assertOk()->assertJsonPath('results.0.next', 'Taken back.');
    expect(rows())->toBe([]);
    $again = $this->pass($this->ada, more: ['tying' => 'no', 'dressing' => 'not_looked', 'tail' => 'not_looked', 'mistake' => 'granny-knot']);
    $this->send($again)->assertJsonPath('results.0.verdict', 'tie_again');
    $this->send($this->pass($this->ada, more: ['kind' => 'overrule', 'target' => $again['id'], 'note' => 'It was the mirror image.']))->assertJsonPath('results.0.level', 'has_it');
    $prior = array_diff_key($this->pass($this->bram, 'overhand', ['kind' => 'prior']), array_flip(['tying', 'dressing', 'tail', 'how', 'prompts']));
    $this->send($prior)->assertJsonPath('results.0.level', 'has_it');
    $this->send($this->pass($this->bram, 'overhand'))->assertJsonPath('results.0.level', 'kept');
});

it('keeps both results of two leaders and says that there are two', function (): void {
    $this->send($this->pass($this->ada));
    $this->become($this->person($this->crew, Role::Helper, 'wren@gullwick.example'));
    CarbonImmutable::setTestNow(CarbonImmutable::parse(self::NOW)->addMinutes(4));
    $this->send($this->pass($this->ada, more: ['prompts' => 1, 'device' => 'tablet']));
    expect(CheckEvent::query()->count())->toBe(2);
    expect(Standing::query()->sole()->getAttributes())->toMatchArray(['two_leaders' => 1, 'level' => 'has_it', 'verdict' => 'with_help']);
});

it('puts right a clock that is a day off, and shows it', function (): void {
    $yesterday = CarbonImmutable::now()->subDay()->toIso8601ZuluString();
    $this->api('POST', '/api/check-events', ['sent_at' => $yesterday, 'events' => [$this->pass($this->ada, more: ['observed_at' => $yesterday])]])->assertOk();
    $event = CheckEvent::query()->sole();
    expect($event->day)->toBe('2026-11-24');
    expect($event->clock_off_s)->toBe(86400);
    expect($this->api('GET', "/api/learners/{$this->ada->id}")->json('history.0.clock_off'))->toBeTrue();
});

it('believes a clock that is nearly right, and dates by the group’s time zone', function (): void {
    $this->crew->update(['time_zone' => 'Pacific/Auckland']);
    $this->api('POST', '/api/check-events', ['sent_at' => CarbonImmutable::now()->subMinutes(50)->toIso8601ZuluString(), 'events' => [$this->pass($this->ada)]])->assertOk();
    // 18:45 UTC is the next morning there.
    expect(CheckEvent::query()->sole()->day)->toBe('2026-11-25');
    expect(CheckEvent::query()->sole()->clock_off_s)->toBe(0);
});

it('derives the same rows again from the events alone', function (): void {
    mt_srand(3);
    $ids = [];
    foreach (range(1, 60) as $n) {
        CarbonImmutable::setTestNow(CarbonImmutable::parse('2026-10-01 18:00:00')->addHours(19 * $n));
        $wrong = mt_rand(0, 3) === 0;
        $event = $this->pass([$this->ada, $this->bram][mt_rand(0, 1)], ['overhand', 'bowline', 'square-knot'][mt_rand(0, 2)], ['prompts' => mt_rand(0, 1), 'device' => ['phone', 'tablet'][mt_rand(0, 1)]] + ($wrong ? ['tying' => 'no'] : []));
        $this->send($event)->assertOk();
        if ($n % 10 === 0) {
            $this->send($this->pass($this->ada, $event['knot'], ['learner' => $event['learner'], 'kind' => 'retract', 'target' => $event['id']]))->assertOk();
        }
    }
    $before = rows();
    expect(count($before))->toBeGreaterThan(3);
    app(DeriveStandings::class)->rebuild($this->crew);
    expect(rows())->toEqual($before);
});

it('refuses what cannot be, names it, and writes nothing', function (array $change, string $field, string $allowed): void {
    $good = $this->pass($this->bram);
    $this->refused($this->send($good, $change + $this->pass($this->ada)), "/events/1$field", $allowed);
    expect(CheckEvent::query()->count())->toBe(0);
    expect(rows())->toBe([]);
})->with([
    'unknown knot' => [['knot' => 'tangle'], '/knot', 'one of'],
    'unknown learner' => [['learner' => '01890000-0000-7000-8000-000000000000'], '/learner', 'your group'],
    'unknown meeting' => [['meeting' => '01890000-0000-7000-8000-000000000000'], '/meeting', 'your group'],
    'another group' => [['group' => '01890000-0000-7000-8000-000000000000'], '/group', 'your own group'],
    'no UUID' => [['id' => 'seven'], '/id', 'a UUID'],
    'schema 2' => [['schema' => 2], '/schema', 'only 1'],
    'negative diameter' => [['rope' => ['diameter_mm' => -10, 'material' => 'nylon']], '/rope/diameter_mm', 'more than 0'],
    'a measure below nothing' => [['measured_mm' => -1], '/measured_mm', 'at least 0'],
    'a text for a number' => [['prompts' => '1'], '/prompts', 'a whole number'],
    'too many prompts' => [['prompts' => 3], '/prompts', 'at most 2'],
    'a note too long' => [['note' => str_repeat('n', 501)], '/note', 'at most 500'],
    'a day for a time' => [['observed_at' => '2026-11-24'], '/observed_at', 'a time as'],
    'a word nobody knows' => [['tying' => 'maybe'], '/tying', 'one of yes, no'],
    'a part declared absent' => [['tail' => 'not_applicable'], '/tail', 'this knot has a tail'],
    'measured without a length' => [['how' => 'measured'], '/measured_mm', 'the measured tail'],
    'a mistake of another knot' => [['mistake' => 'plain-coil'], '/mistake', 'granny-knot'],
    'a method of another knot' => [['method' => 'wrapped'], '/method', 'right-over-left'],
    'a retract of nothing' => [['kind' => 'retract'], '/target', 'the id of the check'],
    'a result with a target' => [['target' => '01890000-0000-7000-8000-000000000000'], '/target', 'nothing'],
    'a field nobody knows' => [['colour' => 'red'], '/colour', 'only the fields'],
]);

it('keeps groups apart', function (): void {
    $theirs = $this->group('Another crew');
    [$zoe] = $this->learners($theirs, 'Zoe A.');
    $meeting = $this->meeting($theirs);
    $rope = $theirs->ropes()->first();
    $this->refused($this->send($this->pass($zoe)), '/events/0/learner', 'your group');
    $this->refused($this->send($this->pass($this->ada, more: ['meeting' => $meeting->id])), '/events/0/meeting');
    foreach (["/api/learners/{$zoe->id}", "/api/meetings/{$meeting->id}"] as $address) {
        $this->api('GET', $address)->assertStatus(404)->assertJsonStructure(['message', 'errors' => [['field', 'value', 'allowed', 'message']]]);
    }
    $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$this->ada->id}", ['present' => true])->assertStatus(404);
    $this->refused($this->api('GET', "/api/check/bowline?meeting={$meeting->id}"), '/meeting');
    $this->refused($this->api('GET', "/api/check/bowline?rope={$rope->id}"), '/rope');
    $this->become($this->person($theirs, Role::Lead, 'zed@other.example'));
    $event = $this->pass($zoe);
    $this->send($event)->assertOk();
    $this->become($this->lead);
    $this->refused($this->send(['id' => $event['id']] + $this->pass($this->ada)), '/events/0/id', 'a new id');
    $this->refused($this->send($this->pass($this->ada, more: ['kind' => 'retract', 'target' => $event['id']])), '/events/0/target');
    expect(array_column($this->api('GET', '/api/crew')->json('learners'), 'name'))->toBe(['Ada P.', 'Bram K.']);
});

it('takes 500 events at once and no more', function (): void {
    $events = array_map(fn (): array => $this->pass([$this->ada, $this->bram][mt_rand(0, 1)], ['overhand', 'bowline'][mt_rand(0, 1)]), range(1, 500));
    expect($this->send(...$events)->assertOk()->json('results'))->toHaveCount(500);
    $this->refused($this->send(...$events, ...[$this->pass($this->ada)]), '/events', 'at most 500');
    expect(CheckEvent::query()->count())->toBe(500);
});

it('shows the sheet of a knot: those here first, and of them those who need it', function (): void {
    $meeting = $this->meeting($this->crew);
    [$cleo] = $this->learners($this->crew, 'Cleo M.');
    $this->send($this->pass($this->ada));
    foreach ([[$this->ada, true], [$this->bram, false], [$cleo, true]] as [$learner, $present]) {
        $this->api('PUT', "/api/meetings/{$meeting->id}/attendance/{$learner->id}", ['present' => $present])->assertNoContent();
    }
    $sheet = $this->api('GET', "/api/check/square-knot?meeting={$meeting->id}")->assertOk()->json();
    expect(array_map(fn (array $row): array => [$row['name'], $row['present'], $row['wanted']], $sheet['rows']))->toBe([['Cleo M.', true, 'has_it'], ['Ada P.', true, null], ['Bram K.', false, 'has_it']]);
    // 6 x 1.0 x 10 mm.
    expect($sheet['tail'])->toMatchArray(['required_mm' => 60, 'verdict' => null]);
    expect($sheet['rows'][1]['mark'])->toMatchArray(['level' => 'has_it', 'verdict' => 'has_it', 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'prompts' => 0, 'due' => false]);
});

it('judges a tail as it is measured', function (): void {
    $ask = fn (array $more): array => $this->api('POST', '/api/tail', $more + ['knot' => 'bowline', 'rope' => ['diameter_mm' => 10, 'material' => 'polyester']])->assertOk()->json();
    expect($ask([]))->toMatchArray(['required_mm' => 100, 'verdict' => null]);
    expect($ask(['measured_mm' => 40])['verdict'])->toBe('short');
    expect($ask(['measured_mm' => 110, 'measured_by' => 'diameters'])['verdict'])->toBe('borderline');
    $this->refused($this->api('POST', '/api/tail', ['knot' => 'bowline', 'rope' => ['diameter_mm' => -1, 'material' => 'nylon']]), '/rope/diameter_mm', 'more than 0');
    $this->refused($this->api('POST', '/api/tail', ['knot' => 'tangle', 'rope' => ['diameter_mm' => 8, 'material' => 'nylon']]), '/knot');
});
