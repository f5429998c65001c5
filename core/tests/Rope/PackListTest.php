<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Packing\PackList;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\StoreUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;

function packFor(array $knots, int $learners): PackList
{
    $folder = dirname(__DIR__, 3).'/packs';
    $library = Library::at($folder);

    return PackList::of(array_map($library->knot(...), $knots), $learners, RopeInHand::of(8, Material::Polyester), TailRule::fromPack(Fields::of(Json::arrays(Json::file("$folder/materials/rope.json")))), TailSchool::Longer, false);
}

it('makes the practice piece as long as the longest knot asks for', function (): void {
    // Overhand: 10 x 8, a tail of 4 x 8, 300 to hold: 412, so 500.
    expect(packFor(['overhand'], 6)->pieces)->toHaveCount(1);
    expect(packFor(['overhand'], 6)->pieces[0])->toMatchArray(['length' => 500, 'count' => 6, 'for' => 'each', 'colours' => 1]);
    // Bowline: 20 x 8 and a loop of 500, a tail of 80, 300: 1040, so 1100.
    expect(packFor(['overhand', 'bowline'], 6)->pieces[0])->toMatchArray(['length' => 1100, 'knot' => 'bowline']);
    // Two ropes joined: two pieces each, in two colours; each takes half of the knot.
    expect(packFor(['sheet-bend'], 5)->pieces[0])->toMatchArray(['count' => 10, 'colours' => 2, 'length' => 500]);
});

it('counts what there must be to tie to, and rope for lashings by the pair', function (): void {
    $list = packFor(['clove-hitch', 'square-lashing', 'tripod-lashing-plain'], 7);
    expect(array_column($list->objects, 'count', 'kind'))->toMatchArray(['pole' => 4, 'post' => 12]);
    $lashings = array_values(array_filter($list->pieces, fn (array $piece): bool => $piece['for'] === 'pair'));
    expect(array_column($lashings, 'count'))->toBe([4, 4]);
    $square = Lashing::of(LashingKind::Square, [40, 40], 8)->advised();
    expect($lashings[0]['length'])->toBe((int) (ceil($square / 100) * 100));
    expect(packFor([], 7)->pieces)->toBe([])->and(packFor(['overhand'], 0)->pieces[0]['count'])->toBe(0);
});

it('takes what is right as it is, cuts the rest, and says what is missing', function (): void {
    $use = StoreUse::of([['length' => 1000, 'count' => 4]], [['id' => 'right', 'length' => 1200, 'count' => 2], ['id' => 'long', 'length' => 2000, 'count' => 1], ['id' => 'short', 'length' => 900, 'count' => 5]]);
    expect($use->taken)->toBe([['stock' => 'right', 'length' => 1200, 'count' => 2]]);
    expect($use->cuts->cuts)->toBe([['stock' => 'long#1', 'pieces' => [1000], 'offcut' => 980]]);
    expect($use->cuts->unmet)->toBe([['length' => 1000, 'count' => 1]]);
});
