<?php

declare(strict_types=1);

use App\Models\MeetingRig;
use App\Models\RigGate;
use App\Models\Role;
use Compadre\Core\Rigs\RigShelf;

const LEGS = ['leg_mm' => 2000, 'foot_radius_mm' => 850, 'poles_mm' => [60, 60, 60], 'school' => 'plain'];

function rigAt(string $rig, array $asked = []): string
{
    return "/api/rigs/$rig?".http_build_query(array_map(static fn (mixed $one): string => is_array($one) ? json_encode($one) : $one, $asked));
}

/** What one has who has looked. */
function looked(string $rig, array $more = []): array
{
    return $more + ['rig' => $rig, 'adult' => 'Wren Callow', 'lines' => app(RigShelf::class)->rig($rig)->gates];
}

it('lists the rigs and works each out with what a screen begins with', function (): void {
    [, , [$tonight]] = $this->term();
    $list = $this->api('GET', '/api/rigs')->assertOk()->json();
    expect($list['rigs'])->toHaveCount(18)->and(array_column($list['meetings'], 'id'))->toContain($tonight->id);
    foreach ($list['rigs'] as $about) {
        $rig = $this->api('GET', rigAt($about['id'], ['meeting' => $tonight->id]))->assertOk()->json();
        expect($rig['held'])->toBe($about['gated'])->and($rig['worked'] === null)->toBe($about['gated'])->and($rig['rope']['is_usual'])->toBeTrue();
        expect(count(array_filter($rig['questions'], fn (array $question): bool => ! $question['optional'])))->toBeLessThanOrEqual(6);
    }
});

it('works a rig out for answers, a rope and a knot of one’s own', function (): void {
    [$group] = $this->term();
    $thin = $group->ropes()->create(['name' => 'Thin line', 'diameter_mm' => 4, 'material' => 'nylon']);
    $usual = $this->api('GET', rigAt('tripod', ['answers' => LEGS]))->assertOk()->json();
    expect(collect($usual['worked']['figures'])->firstWhere('id', 'height_mm')['value'])->toEqualWithDelta(sqrt(2000 ** 2 - 850 ** 2), 0.01)
        ->and($usual['worked']['places'][0]['knot']['id'])->toBe('tripod-lashing-plain')->and($usual['worked']['sketch']['handles'][0]['answer'])->toBe('foot_radius_mm');
    $other = $this->api('GET', rigAt('tripod', ['answers' => LEGS, 'rope' => $thin->id, 'knots' => ['lashing' => 'tripod-lashing-woven']]))->assertOk()->json();
    expect($other['rope']['name'])->toBe('Thin line')->and($other['worked']['places'][0]['knot']['id'])->toBe('tripod-lashing-woven')->and($other['worked']['cut'][0]['length_mm'])->not->toBe($usual['worked']['cut'][0]['length_mm']);
});

it('refuses what cannot stand beside its answer', function (array $asked, string $field, string $allowed): void {
    $this->term();
    $this->refused($this->api('GET', rigAt('tripod', $asked)), $field, $allowed);
})->with([
    'legs too flat' => [['answers' => ['foot_radius_mm' => 1240] + LEGS], '/answers/foot_radius_mm', 'at most 0.55'],
    'no number' => [['answers' => ['leg_mm' => 'long'] + LEGS], '/answers/leg_mm', 'number'],
    'no JSON' => [['answers' => '{'], '/answers', 'valid JSON'],
    'a list' => [['answers' => '[1]'], '/answers', ''],
    'another group’s rope' => [['rope' => '019ac0de-0000-7000-8000-000000000000'], '/rope', 'one of the group’s ropes'],
    'a knot that does not go there' => [['knots' => ['lashing' => 'bowline']], '/knots/lashing', 'tripod-lashing-plain'],
]);

it('holds lengths back until an adult has ticked all of it, for that meeting alone', function (): void {
    [, , [$tonight, $next]] = $this->term();
    $held = $this->api('GET', rigAt('shear-legs', ['meeting' => $tonight->id]))->assertOk()->json();
    expect($held['held'])->toBeTrue()->and($held['worked'])->toBeNull()->and($held['rig']['gates'])->not->toBe([]);
    $this->refused($this->api('POST', "/api/meetings/{$tonight->id}/gates", looked('shear-legs', ['lines' => array_slice($held['rig']['gates'], 1)])), '/lines/0', $held['rig']['gates'][0]);
    $this->refused($this->api('POST', "/api/meetings/{$tonight->id}/gates", looked('shear-legs', ['adult' => '   '])), '/adult');
    $this->refused($this->api('POST', "/api/meetings/{$tonight->id}/gates", ['rig' => 'tripod', 'adult' => 'Wren Callow', 'lines' => []]), '/rig', 'a rig with a gate');
    $this->refused($this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'shear-legs', 'answers' => ['leg_mm' => 2500, 'feet_apart_mm' => 1800, 'poles_mm' => [70, 70]]]), '/rig', 'gate is ticked');
    expect(RigGate::query()->count())->toBe(0)->and(MeetingRig::query()->count())->toBe(0);

    $gate = $this->api('POST', "/api/meetings/{$tonight->id}/gates", looked('shear-legs'))->assertStatus(201)->json();
    expect($gate)->toMatchArray(['adult' => 'Wren Callow', 'by' => 'Maren Holt'] + $gate);
    $open = $this->api('GET', rigAt('shear-legs', ['meeting' => $tonight->id]))->json();
    expect($open['held'])->toBeFalse()->and($open['gate']['adult'])->toBe('Wren Callow')->and($open['worked']['cut'])->not->toBe([]);
    // Neither for another meeting nor before learners.
    expect($this->api('GET', rigAt('shear-legs', ['meeting' => $next->id]))->json('worked'))->toBeNull()
        ->and($this->api('GET', rigAt('shear-legs', ['meeting' => $tonight->id, 'audience' => 'learners']))->json('worked'))->toBeNull()
        ->and($this->api('GET', rigAt('branch-line', ['audience' => 'learners']))->json('rig.leaders'))->toBe([]);
    expect(RigGate::query()->sole()->lines)->toBe($open['rig']['gates']);
});

it('puts a rig’s rope on the list and into the cut plan, and takes it off', function (): void {
    [$group, , [$tonight]] = $this->term();
    $coil = ['name' => 'Good coil', 'kind' => 'coil', 'diameter_mm' => 10, 'material' => 'polyester', 'lay' => 'braided', 'ends' => 'whipped', 'length_mm' => 60000];
    $this->api('POST', '/api/store', $coil)->assertStatus(201);
    $before = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->json();
    $id = $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => LEGS])->assertStatus(201)->json('id');
    $pack = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->assertOk()->json();
    $length = $pack['rigs'][0]['cut'][0]['length_mm'];
    expect($pack['rigs'][0])->toMatchArray(['id' => $id, 'rig' => 'tripod', 'name' => 'Tripod', 'fault' => null])
        ->and($length)->toBe((int) $this->api('GET', rigAt('tripod', ['answers' => LEGS]))->json('worked.cut.0.length_mm'))
        ->and(array_merge(...array_column($pack['cuts'], 'pieces')))->toContain($length)->and(array_merge([], ...array_column($before['cuts'], 'pieces')))->not->toContain($length);
    // Once more with other answers: still one tripod on the list.
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => ['school' => 'woven'] + LEGS])->assertStatus(201);
    expect(MeetingRig::query()->count())->toBe(1)->and($this->api('GET', "/api/meetings/{$tonight->id}/pack")->json('rigs.0.cut.0.length_mm'))->not->toBe($length);
    // A rope of another kind has stocks and a list to buy of its own.
    $thin = $group->ropes()->create(['name' => 'Thin line', 'diameter_mm' => 4, 'material' => 'nylon']);
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'bed-roll', 'answers' => ['length_mm' => 600, 'girth_mm' => 700], 'rope' => $thin->id])->assertStatus(201);
    expect(array_column($this->api('GET', "/api/meetings/{$tonight->id}/pack")->json('buy'), 'rope'))->toBe(['Thin line']);
    $this->refused($this->api('DELETE', "/api/ropes/{$thin->id}"), '/rope', 'no rig');
    $this->api('POST', '/api/store', ['name' => 'Thin coil', 'diameter_mm' => 4, 'material' => 'nylon'] + $coil)->assertStatus(201);
    $full = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->json();
    expect($full['buy'])->toBe([])->and(array_column($full['cuts'], 'name'))->toContain('Good coil', 'Thin coil');
    // What is taken and cut is what was said.
    $this->api('POST', "/api/meetings/{$tonight->id}/pack/cut")->assertOk();
    $left = collect($this->api('GET', '/api/store')->json('stocks'));
    foreach ($full['cuts'] as $cut) {
        expect($left->firstWhere('name', $cut['name'])['length_mm'])->toBe($cut['offcut_mm']);
    }
    $this->api('DELETE', "/api/meetings/{$tonight->id}/rigs/$id")->assertNoContent();
    expect(array_column($this->api('GET', "/api/meetings/{$tonight->id}/pack")->json('rigs'), 'rig'))->toBe(['bed-roll']);
    $this->refused($this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => ['foot_radius_mm' => 1900] + LEGS]), '/answers/foot_radius_mm', 'at most 0.55');
    expect(MeetingRig::query()->count())->toBe(1);
});

it('says so where a rig on the list can no longer be worked out, and packs the rest', function (): void {
    [, , [$tonight]] = $this->term();
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => LEGS])->assertStatus(201);
    MeetingRig::query()->sole()->update(['answers' => ['leg_mm' => 2000]]);
    $pack = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->assertOk()->json();
    expect($pack['rigs'][0]['cut'])->toBe([])->and($pack['rigs'][0]['fault'])->toContain('needed')->and($pack['pieces'])->not->toBe([]);
});

it('keeps one group’s rigs from another, and from helpers', function (): void {
    [$group, , [$tonight]] = $this->term();
    $id = $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => LEGS])->json('id');
    $this->become($this->person($group, Role::Helper, 'wren@gullwick.example'));
    $this->api('POST', "/api/meetings/{$tonight->id}/rigs", ['rig' => 'tripod', 'answers' => LEGS])->assertForbidden();
    $this->api('POST', "/api/meetings/{$tonight->id}/gates", looked('shear-legs'))->assertForbidden();
    $this->api('GET', rigAt('tripod'))->assertOk();
    $this->become($this->person($this->group('Tarrow Shore Band'), Role::Lead, 'other@gullwick.example'));
    $this->api('GET', rigAt('shear-legs', ['meeting' => $tonight->id]))->assertNotFound();
    $this->api('DELETE', "/api/meetings/{$tonight->id}/rigs/$id")->assertNotFound();
    expect(MeetingRig::query()->count())->toBe(1);
});

it('says which knot for this, and which not', function (): void {
    $this->term();
    $job = ['task' => 'join', 'a' => ['kind' => 'rope', 'diameter_mm' => 8, 'material' => 'polypropylene'], 'b' => ['kind' => 'rope', 'diameter_mm' => 8], 'load' => 'steady', 'undo' => 'any'];
    $choice = $this->api('GET', '/api/choice?job='.urlencode(json_encode($job)))->assertOk()->json();
    expect($choice['answers'][0])->toMatchArray(['id' => 'double-sheet-bend', 'name' => 'Double sheet bend'])->and(array_column($choice['left_out'], 'id'))->toContain('square-knot', 'sheet-bend');
    $this->refused($this->api('GET', '/api/choice'), '/job', 'a text');
    $this->refused($this->api('GET', '/api/choice?job='.urlencode(json_encode(['task' => 'decorate'] + $job))), '/task', 'join');
});
