<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RequiredTail;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

function useOf(string $knot, float $diameter, Material $material, array $turns = [], ?float $loop = null, ?float $width = null): RopeUse
{
    $packs = dirname(__DIR__, 3).'/packs';
    $pack = Library::at($packs)->knot($knot);
    $rope = RopeInHand::of($diameter, $material, false, $width);
    $tail = TailRule::fromPack(Fields::of(Json::arrays(Json::file("$packs/materials/rope.json"))))->required($pack->tailClass, $rope, TailSchool::Longer, false);

    return RopeUse::of($pack, $rope, $tail, $turns, $loop);
}

it('adds up the knot, the turns and the loop', function (): void {
    // A bowline in 8 mm nylon round a loop of 600 mm: 20 x 8 + 600; the tail 10 x 1.2 x 8.
    $bowline = useOf('bowline', 8, Material::Nylon, loop: 600);
    expect([$bowline->used, $bowline->tail, $bowline->total()])->toEqual([760.0, 96, 856.0]);
    // Set out: loop + 8 d + tail.
    expect($bowline->setOut)->toEqual(600 + 64 + 96);
    // A clove hitch in 6 mm polyester braid, twice round 60 mm: 6 x 6 + 2 x pi x 66; the tail at least 50.
    $clove = useOf('clove-hitch', 6, Material::Polyester, [['object' => 60.0, 'turns' => 2.0]]);
    expect($clove->used)->toEqualWithDelta(36 + 414.69, 0.01);
    expect($clove->tail)->toBe(50)->and($clove->setOut)->toBeNull();
    // Two objects at once.
    $two = useOf('clove-hitch', 6, Material::Polyester, [['object' => 60.0, 'turns' => 2.0], ['object' => 20.0, 'turns' => 0.5]]);
    expect($two->used - $clove->used)->toEqualWithDelta(M_PI * 26 / 2, 1e-6);
});

it('takes three times the thickness of tape for its diameter', function (): void {
    $water = useOf('water-knot', 2, Material::Nylon, width: 25);
    expect($water->used)->toEqual(22 * 6.0)->and($water->tail)->toBe(90);
});

it('says how it came to it', function (): void {
    expect(Catalogue::english()->say(useOf('bowline', 8, Material::Nylon, [['object' => 60.0, 'turns' => 1.0]], 600)->reason))
        ->toBe('About 974 mm: 20 times the rope’s 8 mm, 214 mm for the turns, 600 mm for the loop; and a tail of 96 mm. A starting value: mark, tie, untie and measure to make it your own.');
    expect(Catalogue::english()->say(RopeUse::of(Library::at(dirname(__DIR__, 3).'/packs')->knot('overhand'), RopeInHand::of(8.5, Material::Natural), new RequiredTail(31, new Saying('rope.grips_as_usual')))->reason))
        ->toStartWith('About 85 mm: 10 times the rope’s 8.5 mm; and a tail of 31 mm.');
});

it('counts the turns that are drawn', function (string $knot, ?float $turns): void {
    $method = Library::at(dirname(__DIR__, 3).'/packs')->knot($knot)->methods[0];
    expect(RopeUse::turnsOf($method, 80.0))->toEqual($turns === null ? [] : [['object' => 80.0, 'turns' => $turns]]);
})->with([
    'none' => ['bowline', null],
    'a turn' => ['two-half-hitches', 1.0],
    'a round turn' => ['round-turn-and-two-half-hitches', 2.0],
    'twice round' => ['clove-hitch', 2.5],
]);

it('sets out nothing but a loop that is measured off', function (): void {
    expect(useOf('bowline', 8, Material::Nylon)->setOut)->toBeNull();
    expect(useOf('figure-eight-loop', 8, Material::Nylon, loop: 600)->setOut)->toBeNull();
});
