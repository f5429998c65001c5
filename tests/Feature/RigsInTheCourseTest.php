<?php

declare(strict_types=1);

use App\Models\CheckEvent;
use App\Models\Role;
use App\Models\Standing;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\PlanRig;

const LINE = ['span_mm' => 5000, 'sag_mm' => 400];

/** A knot tied in a rig, as a phone tells of it. */
function used(array $pass, string $rig, array $more = []): array
{
    return $more + ['kind' => 'used', 'rig' => $rig] + array_intersect_key($pass, array_flip(['id', 'schema', 'learner', 'knot', 'meeting', 'device', 'device_seq', 'observed_at']));
}

it('keeps a chosen rig’s time free and shows its lists on the run sheet', function (): void {
    [, , [$tonight]] = $this->term();
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'line-between', 'answers' => LINE])->assertCreated();
    $sheet = $this->api('GET', "/api/meetings/{$tonight->id}")->assertOk()->json();
    $parts = array_values(array_filter($sheet['meeting']['blocks'], fn (array $block): bool => $block['rig'] !== null));
    expect(array_column($parts, 'kind'))->toBe(array_keys(PlanRig::PARTS))->and(array_unique(array_column($parts, 'rig')))->toBe(['line-between']);
    expect(array_sum(array_column($parts, 'minutes')))->toEqualWithDelta(12, 0.2);
    $rig = $sheet['rigs']['line-between'];
    expect($rig['held'])->toBeFalse()->and($rig['cautions'])->not->toBe([])->and($rig['lists']['raise'])->toContain('Draw it tight at the other.')
        ->and($rig['lists']['inspect'])->not->toBe([])->and($rig['lists']['strike'])->toContain('Let the tight end go first.');
    // On the clock they are blocks like others.
    $this->api('POST', "/api/meetings/{$tonight->id}/run", ['step' => 'start'])->assertOk();
    $clock = $this->api('GET', "/api/meetings/{$tonight->id}")->json('clock.blocks');
    expect(array_values(array_filter(array_column($clock, 'rig'))))->toBe(['line-between', 'line-between', 'line-between']);
});

it('holds the steps of a gated rig back on the run sheet too', function (): void {
    [$group, , [$tonight]] = $this->term();
    $gates = $group->rigs()->rig('branch-line')->gates;
    $rig = fn (): array => $this->api('GET', "/api/meetings/{$tonight->id}")->json('rigs.branch-line');
    $this->api('POST', "/api/meetings/{$tonight->id}/gates", ['rig' => 'branch-line', 'adult' => 'Wren Callow', 'lines' => $gates])->assertCreated();
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'branch-line', 'answers' => $group->rigs()->rig('branch-line')->starts()])->assertCreated();
    expect($rig()['held'])->toBeFalse()->and($rig()['lists']['raise'])->not->toBe([]);
    App\Models\RigGate::query()->delete();
    expect($rig()['held'])->toBeTrue()->and($rig()['lists'])->toBe(['raise' => [], 'inspect' => [], 'strike' => []])->and($rig()['cautions'])->not->toBe([]);
});

it('never puts a gated rig into a meeting by itself', function (): void {
    [$group] = $this->term();
    $offered = array_filter(app(App\Bench\RigsAtHand::class)->of($group), fn (PlanRig $rig): bool => $rig->isOffered);
    expect($offered)->not->toBe([])->and(array_filter($offered, fn (PlanRig $rig): bool => $group->rigs()->rig($rig->id)->isGated()))->toBe([]);
    expect($offered['tripod']->objects)->toBe(['pole'])->and($offered['ridge-shelter']->objects)->toBe(['peg']);
});

it('counts a knot used in a rig where a badge wants it, and for nothing else', function (): void {
    [$group, [$mira, $other], [$tonight]] = $this->term();
    $pack = ['id' => 'lines', 'name' => 'Lines', 'about' => 'Puts up a line.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => [
        ['knot' => 'square-knot', 'level' => 'has_it'], ['knot' => 'half-hitch', 'level' => 'uses_it', 'in' => 'A line between two trees'], ['rig' => 'line between'],
    ]]];
    $this->api('POST', '/api/group/badges', ['pack' => $pack, 'only_check' => false])->assertCreated();
    $this->api('PUT', '/api/group/badges/lines', ['due_on' => null])->assertNoContent();
    $met = fn (): array => array_column(collect($this->api('GET', "/api/learners/{$mira->id}")->json('badges'))->firstWhere('badge', 'lines')['outline']['parts'], 'met');
    $use = used($this->pass($mira, 'half-hitch', ['meeting' => $tonight->id]), 'line-between');
    $this->send($use)->assertOk()->assertJsonPath('results.0.next', 'Used in: Line between two trees.')->assertJsonPath('results.0.level', null);
    // Used, but not had: the rig counts, the knot does not yet.
    expect($met())->toBe([false, false, true])->and(Standing::query()->where('learner_id', $mira->id)->exists())->toBeFalse();
    $this->send($this->pass($mira, 'half-hitch', ['device_seq' => 50]))->assertOk();
    expect($met())->toBe([false, true, true]);
    $sheet = $this->api('GET', "/api/meetings/{$tonight->id}")->json();
    expect($sheet['used'])->toBe([['id' => $use['id'], 'learner' => $mira->id, 'rig' => 'line-between', 'knot' => 'half-hitch']]);
    $history = $this->api('GET', "/api/learners/{$mira->id}")->json('history');
    expect(array_column($history, 'rig'))->toContain('Line between two trees')->and($this->api('GET', "/api/learners/{$other->id}")->json('history'))->toBe([]);
    // Taken back, it counts no more; the level stays.
    $this->send(used($this->pass($mira, 'half-hitch', ['device_seq' => 51]), 'line-between', ['kind' => 'retract', 'rig' => null, 'target' => $use['id']]))->assertOk();
    expect($met())->toBe([false, false, false])->and($this->api('GET', "/api/meetings/{$tonight->id}")->json('used'))->toBe([]);
    expect(Standing::query()->where('learner_id', $mira->id)->firstOrFail()->level)->toBe(Level::HasIt);
    $this->artisan('compadre:rebuild')->assertSuccessful();
    expect(Standing::query()->where('learner_id', $mira->id)->firstOrFail()->level)->toBe(Level::HasIt);
});

it('takes a use once however often it is sent, and a helper may say it', function (): void {
    [$group, [$mira], [$tonight]] = $this->term();
    $this->become($this->person($group, Role::Helper, 'wren@gullwick.example'));
    $use = used($this->pass($mira, 'half-hitch', ['meeting' => $tonight->id]), 'line-between');
    $this->send($use)->assertOk();
    $this->send($use)->assertOk()->assertJsonPath('results.0.next', 'Used in: Line between two trees.');
    expect(CheckEvent::query()->count())->toBe(1);
});

it('refuses a use that cannot be', function (array $more, string $field, string $allowed): void {
    [, [$mira]] = $this->term();
    $this->refused($this->send(used($this->pass($mira, 'half-hitch'), 'line-between', $more)), "/events/0$field", $allowed);
    expect(CheckEvent::query()->count())->toBe(0);
})->with([
    'no rig' => [['rig' => null], '/rig', 'the rig that the knot was used in'],
    'an unknown rig' => [['rig' => 'castle'], '/rig', 'tripod'],
    'a knot that is not in it' => [['knot' => 'bowline'], '/knot', 'half-hitch'],
    'a check with a rig' => [['kind' => 'result', 'tying' => 'yes', 'how' => 'attested', 'prompts' => 0], '/rig', 'nothing'],
    'a target' => [['target' => '019ac0de-0000-7000-8000-000000000000'], '/target', 'nothing'],
]);
