<?php

declare(strict_types=1);

use App\Models\Role;

it('keeps poles, offers them where one is asked for, and says which of them a rig takes', function (): void {
    $this->term();
    $tripod = fn (): array => $this->api('GET', '/api/rigs/tripod')->assertOk()->json();
    $asked = fn (array $rig, string $id): array => collect($rig['questions'])->firstWhere('id', $id)['offers'];
    $legs = fn (array $rig): array => collect($rig['worked']['members'])->firstWhere('kind', 'pole');
    // Nothing written down: nothing offered, and nothing said to be missing.
    expect($asked($tripod(), 'poles_mm'))->toBe([])->and($legs($tripod())['ours'])->toBeNull();

    $ash = $this->api('POST', '/api/poles', ['name' => ' Ash poles ', 'diameter_mm' => 60, 'length_mm' => 2500, 'count' => 2])->assertStatus(201)->assertJson(['name' => 'Ash poles', 'count' => 2])->json('id');
    $this->api('POST', '/api/poles', ['name' => 'Short', 'diameter_mm' => 60, 'length_mm' => 1500])->assertStatus(201)->assertJson(['count' => 1]);
    $rig = $tripod();
    expect($asked($rig, 'poles_mm'))->toBe([['name' => 'Short', 'value' => 60], ['name' => 'Ash poles', 'value' => 60]])->and($asked($rig, 'leg_mm'))->toBe([]);
    expect($legs($rig))->toMatchArray(['count' => 3, 'ours' => ['taken' => [['name' => 'Ash poles', 'count' => 2]], 'missing' => 1]])->and($rig['worked']['members'][0]['ours'])->toBeNull();

    $this->api('PUT', "/api/poles/$ash", ['count' => 5])->assertOk()->assertJson(['name' => 'Ash poles', 'length_mm' => 2500, 'count' => 5]);
    expect($legs($tripod())['ours'])->toBe(['taken' => [['name' => 'Ash poles', 'count' => 3]], 'missing' => 0]);
    expect(array_column($this->api('GET', '/api/store')->json('poles'), 'name'))->toBe(['Short', 'Ash poles']);
    $this->api('DELETE', "/api/poles/$ash")->assertStatus(204);
    expect($legs($tripod())['ours']['missing'])->toBe(3);
});

it('offers them in every row of a frame', function (): void {
    $this->term();
    $this->api('POST', '/api/poles', ['name' => 'Ash poles', 'diameter_mm' => 60, 'length_mm' => 2500])->assertStatus(201);
    $fields = $this->api('GET', '/api/rigs/square-frame')->assertOk()->json('questions.0.fields');
    expect(array_map(fn (array $field): int => count($field['offers']), $fields))->toBe([1, 1, 0]);
});

it('refuses poles that are none, with what they could be', function (array $wrong, string $field): void {
    $this->term();
    $this->api('POST', '/api/poles', ['name' => 'Ash poles', 'diameter_mm' => 60, 'length_mm' => 2500])->assertStatus(201);
    $answer = $this->api('POST', '/api/poles', $wrong + ['name' => 'Others', 'diameter_mm' => 60, 'length_mm' => 2500])->assertStatus(422)->json('errors.0');
    expect($answer['field'])->toBe($field)->and($answer['allowed'])->not->toBe('');
    expect($this->api('GET', '/api/store')->json('poles'))->toHaveCount(1);
})->with([
    'thinner than any' => [['diameter_mm' => 5], '/diameter_mm'],
    'longer than any' => [['length_mm' => 20000], '/length_mm'],
    'none of them' => [['count' => 0], '/count'],
    'a name that is taken' => [['name' => 'Ash poles '], '/name'],
    'no name' => [['name' => '  '], '/name'],
]);

it('lets helpers look, and change nothing', function (): void {
    [$group] = $this->term();
    $pole = $this->api('POST', '/api/poles', ['name' => 'Ash poles', 'diameter_mm' => 60, 'length_mm' => 2500])->assertStatus(201)->json('id');
    $this->become($this->person($group, Role::Helper, 'wren@gullwick.example'));
    $this->api('GET', '/api/store')->assertOk();
    $this->api('POST', '/api/poles', ['name' => 'More', 'diameter_mm' => 60, 'length_mm' => 2500])->assertStatus(403);
    $this->api('PUT', "/api/poles/$pole", ['count' => 9])->assertStatus(403);
    $this->api('DELETE', "/api/poles/$pole")->assertStatus(403);
});
