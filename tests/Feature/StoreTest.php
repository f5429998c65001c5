<?php

declare(strict_types=1);

use App\Models\Role;
use App\Models\Stock;
use App\Models\User;

function coil(array $more = []): array
{
    return $more + ['name' => 'Good coil', 'kind' => 'coil', 'diameter_mm' => 10, 'material' => 'polyester', 'lay' => 'braided', 'colour' => 'white', 'ends' => 'whipped', 'length_mm' => 20000];
}

it('says what a meeting needs, takes and cuts it, and counts what is left', function (): void {
    [, $learners, [$tonight]] = $this->term();
    $empty = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->assertOk()->json();
    expect($empty['learners'])->toBe(5)->and($empty['taken'])->toBe([])->and($empty['cuts'])->toBe([]);
    $piece = $empty['pieces'][0];
    expect($piece['count'] % 5)->toBe(0)->and($piece['length_mm'] % 100)->toBe(0)->and($piece['reason'])->toContain('300 mm to hold');
    expect(array_sum(array_column($empty['buy'], 'count')))->toBe($piece['count']);
    // One fewer for whoever is away.
    $this->api('PUT', "/api/meetings/{$tonight->id}/attendance/{$learners[0]->id}", ['present' => false]);
    $fewer = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->json();
    expect($fewer['learners'])->toBe(4);
    $piece = $fewer['pieces'][0];

    $coil = $this->api('POST', '/api/store', coil())->assertStatus(201)->json('id');
    $this->api('POST', '/api/store', coil(['name' => 'Right as they are', 'kind' => 'piece', 'length_mm' => $piece['length_mm'], 'count' => 2]))->assertStatus(201);
    $this->api('POST', '/api/store', coil(['name' => 'Too thin', 'diameter_mm' => 4]))->assertStatus(201);
    $pack = $this->api('GET', "/api/meetings/{$tonight->id}/pack")->json();
    expect($pack['taken'])->toHaveCount(1)->and($pack['taken'][0])->toMatchArray(['name' => 'Right as they are', 'count' => 2]);
    $wanted = $pack['pieces'][0]['count'] - 2;
    expect($pack['cuts'])->toHaveCount(1)->and($pack['cuts'][0])->toMatchArray(['stock' => $coil, 'pieces' => array_fill(0, $wanted, $piece['length_mm'])])
        ->and($pack['cuts'][0]['offcut_mm'])->toBe(20000 - $wanted * ($piece['length_mm'] + 20))->and($pack['waste_mm'])->toBe(20 * $wanted)->and($pack['proven'])->toBeTrue()->and($pack['buy'])->toBe([]);

    $this->api('POST', "/api/meetings/{$tonight->id}/pack/cut")->assertOk();
    $store = collect($this->api('GET', '/api/store')->assertOk()->json('stocks'));
    expect($store->firstWhere('id', $coil)['length_mm'])->toBe($pack['cuts'][0]['offcut_mm']);
    expect($store->firstWhere('name', 'Right as they are'))->toMatchArray(['count' => 2 + $wanted, 'taken' => 2 + $wanted]);
    expect($store->firstWhere('name', 'Too thin')['length_mm'])->toBe(20000);
});

it('counts pieces out and back, and never more than there are', function (): void {
    $this->term();
    $id = $this->api('POST', '/api/store', coil(['kind' => 'piece', 'count' => 3]))->json('id');
    $this->api('PUT', "/api/store/$id", ['taken' => 3])->assertOk()->assertJson(['taken' => 3, 'count' => 3, 'name' => 'Good coil']);
    $this->refused($this->api('PUT', "/api/store/$id", ['taken' => 4]), '/taken', 'at most the 3');
    $this->refused($this->api('PUT', "/api/store/$id", ['count' => 2]), '/taken', 'at most the 2');
    $this->api('PUT', "/api/store/$id", ['taken' => 0, 'count' => 2])->assertOk();
    $this->api('DELETE', "/api/store/$id")->assertNoContent();
    expect(Stock::query()->count())->toBe(0);
});

it('refuses rope that cannot be, names the field, and writes nothing', function (array $more, string $field, string $allowed): void {
    $this->term();
    $this->api('POST', '/api/store', coil(['name' => 'There already']));
    $this->refused($this->api('POST', '/api/store', coil($more)), $field, $allowed);
    expect(Stock::query()->count())->toBe(1);
})->with([
    'no length' => [['length_mm' => 0], '/length_mm', 'at least 50'], 'a diameter in words' => [['diameter_mm' => 'thin'], '/diameter_mm', 'a number'],
    'none of it' => [['count' => 0], '/count', 'at least 1'], 'an unknown lay' => [['lay' => 'twisted'], '/lay', 'right'], 'a name twice' => [['name' => 'There already'], '/name', 'nothing else'],
    'no name' => [['name' => '  '], '/name', 'not only spaces'],
]);

it('keeps one group’s store from another, and from helpers', function (): void {
    $this->term();
    $id = $this->api('POST', '/api/store', coil())->json('id');
    $other = $this->group('Tarrow Shore Band');
    $this->become($this->person($other, Role::Lead, 'other@gullwick.example'));
    $this->api('PUT', "/api/store/$id", ['count' => 2])->assertNotFound();
    expect($this->api('GET', '/api/store')->json('stocks'))->toBe([]);
    $this->become($this->person($other, Role::Helper, 'wren@gullwick.example'));
    $this->api('POST', '/api/store', coil())->assertForbidden();
});

it('gives the tails each rope asks for', function (): void {
    [$group] = $this->term();
    $strips = collect($this->api('GET', '/api/gauges')->assertOk()->json('gauges.0.strips'))->pluck('tail_mm', 'class');
    // 10 mm polyester: floors and diameters by hand.
    expect($strips->all())->toBe(['stopper' => 40, 'binding' => 60, 'hitch' => 80, 'bend' => 100, 'loop' => 100, 'lashing' => 60]);
    $group->update(['backup' => true]);
    $this->become(User::of($group)->get()->first());
    expect($this->api('GET', '/api/gauges')->json('gauges.0.strips.0.tail_mm'))->toBe(180);
});
