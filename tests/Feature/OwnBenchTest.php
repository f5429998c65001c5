<?php

declare(strict_types=1);

use App\Models\Measure;
use App\Models\OwnRig;
use App\Models\Role;

/** @return array<string, mixed> the pack of a rig, as a screen reads it */
function packAt(string $rig): array
{
    return test()->api('GET', "/api/rigs/$rig/pack")->assertOk()->json('pack');
}

it('copies a rig, changes it, builds with it and removes it', function (): void {
    [$group, , [$tonight]] = $this->term();
    $id = $this->api('POST', '/api/rigs/line-between/copies')->assertCreated()->json('id');
    $about = collect($this->api('GET', '/api/rigs')->json('rigs'))->firstWhere('id', $id);
    expect($id)->toBe('line-between-own-1')->and($about['own'])->toBeTrue()->and($about['name'])->toBe('Line between two trees, ours');
    $pack = array_replace(packAt($id), ['name' => 'Lantern line', 'raise' => ['Tie it.', 'Haul it.', 'Hang the lanterns.']]);
    $pack['lets'][5]['is'] = '2 * ('.$pack['lets'][5]['is'].')';
    $this->api('PUT', "/api/rigs/$id", ['pack' => $pack])->assertOk();
    $own = $this->api('GET', "/api/rigs/$id")->assertOk()->json();
    $first = $this->api('GET', '/api/rigs/line-between')->json();
    expect($own['rig']['name'])->toBe('Lantern line')->and($own['rig']['raise'])->toHaveCount(3)->and($own['worked']['members'][0]['length_mm'])->toEqualWithDelta(2 * $first['worked']['members'][0]['length_mm'], 0.2);
    expect(OwnRig::query()->sole()->version)->toBe(2)->and($own['rig']['own'])->toBeTrue()->and($first['rig']['own'])->toBeFalse();
    // The rope of it is packed, and it stands on the run sheet under its own name.
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => $id, 'answers' => $group->rigs()->rig($id)->starts()])->assertCreated();
    expect($this->api('GET', "/api/meetings/{$tonight->id}")->json("rigs.$id.name"))->toBe('Lantern line');
    // A copy of a copy is one of the same origin, with another id.
    expect($this->api('POST', "/api/rigs/$id/copies")->assertCreated()->json('id'))->toBe('line-between-own-1-own-1');
    $this->api('DELETE', "/api/rigs/$id")->assertNoContent();
    expect($this->api('GET', '/api/rigs')->json('rigs'))->toHaveCount(19)->and($this->api('GET', "/api/meetings/{$tonight->id}")->assertOk()->json('rigs'))->not->toHaveKey($id);
});

it('refuses a changed rig that has a fault, with its place in the pack', function (Closure $change, string $field, string $allowed): void {
    $this->term();
    $id = $this->api('POST', '/api/rigs/tripod/copies')->json('id');
    $before = OwnRig::query()->sole()->pack;
    $this->refused($this->api('PUT', "/api/rigs/$id", ['pack' => $change(packAt($id))]), $field, $allowed);
    expect(OwnRig::query()->sole()->pack)->toBe($before)->and(OwnRig::query()->sole()->version)->toBe(1);
})->with([
    'a unit that does not fit' => [fn (array $pack) => array_replace_recursive($pack, ['lets' => [['is' => 'leg_mm + 3']]]), '/pack/lets/0/is', 'units'],
    'an unknown knot' => [fn (array $pack) => array_replace_recursive($pack, ['places' => [['knots' => [['knot' => 'granny-twist']]]]]), '/pack/places/0/knots/0/knot', 'bowline'],
    'no name' => [fn (array $pack) => array_replace($pack, ['name' => '']), '/pack/name', '1'],
    'a caution dropped' => [fn (array $pack) => array_replace($pack, ['cautions' => array_slice($pack['cautions'], 1)]), '/pack/cautions', 'origin'],
    'a refusal dropped' => [fn (array $pack) => array_replace($pack, ['refuse' => array_slice($pack['refuse'], 1)]), '/pack/refuse', 'origin'],
]);

it('keeps a gated rig gated, whoever copies it', function (): void {
    $this->term();
    $id = $this->api('POST', '/api/rigs/branch-line/copies')->json('id');
    $pack = packAt($id);
    unset($pack['gates']);
    $this->refused($this->api('PUT', "/api/rigs/$id", ['pack' => $pack]), '/pack/gates', 'origin');
    $again = $this->api('POST', "/api/rigs/$id/copies")->json('id');
    $this->refused($this->api('PUT', "/api/rigs/$again", ['pack' => $pack]), '/pack/gates', 'origin');
    expect($this->api('GET', "/api/rigs/$again")->json('held'))->toBeTrue();
});

it('keeps what comes along as it is, and another group’s to itself', function (): void {
    [$group] = $this->term();
    $this->api('PUT', '/api/rigs/tripod', ['pack' => packAt('tripod')])->assertNotFound();
    $this->api('DELETE', '/api/rigs/tripod')->assertNotFound();
    $id = $this->api('POST', '/api/rigs/tripod/copies')->json('id');
    $other = $this->group('Second group');
    $this->become($this->person($other, Role::Lead, 'wren@gullwick.example'));
    $this->refused($this->api('GET', "/api/rigs/$id"), '/rig');
    $this->api('DELETE', "/api/rigs/$id")->assertNotFound();
    expect($this->api('GET', '/api/rigs')->json('rigs'))->toHaveCount(18);
});

it('reads the instruments in the group’s ropes', function (): void {
    [$group] = $this->term();
    expect(array_column($this->api('GET', '/api/instruments')->assertOk()->json('instruments'), 'id'))->toBe(['bundle', 'extension', 'friction', 'hauling', 'line']);
    foreach (['bundle', 'extension', 'friction', 'hauling', 'line'] as $id) {
        $read = $this->api('GET', "/api/instruments/$id")->assertOk()->json();
        expect($read['worked']['sketch']['handles'])->toHaveCount(1)->and($read['worked']['figures'])->not->toBe([]);
    }
    $flat = $this->api('GET', '/api/instruments/line?answers='.urlencode('{"sag_mm":100,"load_n":100}'))->json('worked.figures.0.value');
    expect($flat)->toEqualWithDelta(100 * sqrt(3000 ** 2 + 100 ** 2) / 200, 0.01);
    $this->refused($this->api('GET', '/api/instruments/line?answers='.urlencode('{"sag_mm":3000,"span_mm":5000}')), '/answers/sag_mm', 'half');
    $this->refused($this->api('GET', '/api/instruments/scales'), '/instrument', 'bundle');
});

it('measures a knot, and reckons with it from then on', function (): void {
    [$group, , [$tonight]] = $this->term();
    $rope = $group->ropes()->where('is_usual', true)->firstOrFail();
    $bowline = fn (array $board): array => collect($board['knots'])->firstWhere('id', 'bowline');
    expect($bowline($this->api('GET', '/api/measures')->assertOk()->json()))->toMatchArray(['start' => 20, 'estimate' => null, 'loop' => true, 'turns' => 0, 'sure' => 'A starting value: nobody has measured it yet.']);
    $used = fn (): int => collect($this->api('GET', '/api/knots/bowline')->json('ropes'))->firstWhere('usual', true)['used_mm'];
    $guy = fn (): float => collect($this->api('GET', '/api/rigs/ridge-shelter')->json('worked.members'))->firstWhere('id', 'guy')['length_mm'];
    [$before, $rope_before] = [$used(), $guy()];
    $d = $rope->diameter_mm;
    // 28 diameters and a loop of 400 mm: (3 x 20 + 28) / 4 = 22.
    $board = $this->api('POST', '/api/measures', ['knot' => 'bowline', 'rope' => $rope->id, 'measured_mm' => 28 * $d + 400, 'loop_mm' => 400])->assertCreated()->json();
    expect($bowline($board)['estimate'])->toEqualWithDelta(22, 0.01)->and($bowline($board)['measures'])->toHaveCount(1);
    expect($used() - $before)->toEqualWithDelta(2 * $d, 1.01)->and($guy())->not->toBe($rope_before);
    $board = $this->api('POST', '/api/measures', ['knot' => 'bowline', 'measured_mm' => 18 * $d])->assertCreated()->json();
    expect($bowline($board)['estimate'])->toEqualWithDelta((60 + 28 + 18) / 5, 0.01)->and($bowline($board)['sure'])->toContain('Measured 2 times');
    foreach ($bowline($board)['measures'] as $one) {
        $board = $this->api('DELETE', "/api/measures/{$one['id']}")->assertOk()->json();
    }
    expect($bowline($board)['estimate'])->toBeNull()->and($used())->toBe($before)->and($guy())->toBe($rope_before);
});

it('keeps no measure that cannot be', function (array $asked, string $field): void {
    $this->term();
    $this->refused($this->api('POST', '/api/measures', $asked + ['knot' => 'bowline', 'measured_mm' => 200]), $field);
    expect(Measure::query()->count())->toBe(0);
})->with([
    'an unknown knot' => [['knot' => 'shoe'], '/knot'], 'a lashing' => [['knot' => 'square-lashing'], '/knot'], 'the loop forgotten' => [['measured_mm' => 2000], '/measured_mm'],
    'nothing' => [['measured_mm' => 0], '/measured_mm'], 'another group’s rope' => [['rope' => '019ac0de-0000-7000-8000-000000000000'], '/rope'],
]);
