<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Bundle;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Rigs\Line;
use Compadre\Core\Rigs\Tripod;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Catalogue;

function friction(): Friction
{
    return Friction::fromPack(Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json'))));
}

// Worked by hand: two clove hitches, the turns, a tenth on top, two tails of 10 d.
it('reckons the rope of a lashing', function (float $turns, LashingKind $kind, array $poles, ?int $wraps): void {
    expect(Lashing::of($kind, $poles, 6, $wraps)->rope)->toEqualWithDelta(1.1 * $turns + 120, 1e-6);
})->with([
    'square, 60 on 60' => [2 * (2 * M_PI * 66 + 36) + 3 * M_PI * 132 + 2 * (240 + 72), LashingKind::Square, [60.0, 60.0], null],
    'square, 80 on 40, five wraps' => [2 * M_PI * 86 + 36 + 2 * M_PI * 46 + 36 + 5 * M_PI * 132 + 2 * (240 + 120), LashingKind::Square, [80.0, 40.0], 5],
    'shear, two of 50' => [2 * (2 * M_PI * 56 + 36) + 7 * (100 + M_PI * 56) + 2 * (84 + 100), LashingKind::Shear, [50.0, 50.0], null],
    'plain tripod of 40' => [2 * (2 * M_PI * 46 + 36) + 6 * (160 + M_PI * 46) + 4 * (72 + 80), LashingKind::TripodPlain, [40.0, 40.0, 40.0], null],
    'woven tripod of 40' => [2 * (2 * M_PI * 46 + 36) + 5 * 3 * M_PI * 46 + 4 * (60 + 80), LashingKind::TripodWoven, [40.0, 40.0, 40.0], null],
]);

it('sets the rule of thumb beside a square lashing and advises the longer', function (): void {
    $lashing = Lashing::of(LashingKind::Square, [60, 60], 6);
    expect($lashing->rope)->toEqualWithDelta(3150, 40)->and($lashing->ruleOfThumb)->toBe(4800.0)->and($lashing->advised())->toBe(4800.0);
    expect(Lashing::of(LashingKind::Diagonal, [60, 60], 6)->rope)->toBeGreaterThan($lashing->rope);
    expect(fn () => Lashing::of(LashingKind::Square, [60], 6))->toThrow(Refusal::class, '2 pole diameters');
});

it('bundles poles', function (): void {
    expect(Bundle::pair(10, 10, 0))->toEqualWithDelta(10 * (2 + M_PI), 1e-9);
    // A thin pole beside a thick one: never less than round the thick one, never more than round both in a row.
    expect(Bundle::pair(100, 10, 0))->toBeGreaterThan(M_PI * 100)->toBeLessThan(M_PI * 110);
    expect(Bundle::envelope(3, 20))->toEqualWithDelta(20 * (1 + 2 / sqrt(3)), 0.01);
    expect(Bundle::envelope(7, 20))->toBe(60.0);
    expect(Bundle::ties(2000))->toBe([400.0, 1600.0]);
    expect(Bundle::ties(4000))->toBe([800.0, 2000.0, 3200.0]);
    expect(fn () => Bundle::envelope(21, 20))->toThrow(Refusal::class, 'from 1 to 20');
});

it('stands a tripod up', function (): void {
    $tripod = Tripod::of(2000, 1200);
    expect($tripod->height)->toEqualWithDelta(1600, 1e-9)->and($tripod->feetApart)->toEqualWithDelta(1200 * sqrt(3), 1e-9)->and(sin($tripod->lean))->toEqualWithDelta(0.6, 1e-9);
    expect(Catalogue::english()->say($tripod->advice))->toContain('splay')->toContain('1100 mm');
    expect(Catalogue::english()->say(Tripod::of(2000, 500)->advice))->toContain('topples')->toContain('600 mm');
    expect(Tripod::of(2000, 800)->advice)->toBeNull();
    expect(fn () => Tripod::of(2000, 2000))->toThrow(Refusal::class, 'less than the leg');
});

it('pulls on the anchors of a line', function (): void {
    // 3, 4, 5: a half span of 4 m, a sag of 3 m; the vertical half of 60 N is 30 N, the pull 30 x 5 / 3.
    $line = Line::loadedAtTheMiddle(8000, 3000, 60);
    expect($line->tension)->toEqualWithDelta(50, 1e-9)->and($line->horizontal)->toEqualWithDelta(40, 1e-9);
    $even = Line::loadedEvenly(10000, 500, 20);
    expect($even->horizontal)->toEqualWithDelta(20 * 10 ** 2 / (8 * 0.5), 1e-9)->and($even->tension)->toEqualWithDelta(hypot(500, 100), 1e-9);
    // Half the sag, about twice the pull, and a warning.
    expect(Line::loadedAtTheMiddle(6000, 150, 100)->tension / Line::loadedAtTheMiddle(6000, 300, 100)->tension)->toEqualWithDelta(2, 0.02);
    expect(Catalogue::english()->say(Line::loadedAtTheMiddle(6000, 150, 100)->advice()[0]))->toContain('explodes');
    expect(Line::loadedAtTheMiddle(6000, 600, 100)->advice())->toHaveCount(1);
    expect(fn () => Line::loadedAtTheMiddle(6000, 0, 100))->toThrow(Refusal::class, '/sag_mm');
});

it('grips by turns', function (float $pull, Material $material): void {
    // Figures of the rules: what a trucker's hitch makes of a pull in each rope.
    expect(friction()->truckersPull($material))->toEqualWithDelta($pull, 0.006);
})->with([[1.55, Material::Natural], [1.78, Material::Polyester], [1.86, Material::Nylon], [1.93, Material::Polypropylene], [2.25, Material::Hmpe]]);

it('follows the capstan', function (): void {
    expect(friction()->ratio(Material::Natural, 'wood', 1.5))->toEqualWithDelta(exp(0.35 * 3 * M_PI), 1e-9);
    expect(friction()->ratio(Material::Nylon, 'rope', 1, true))->toEqualWithDelta(exp(0.22 * 0.8 * 0.85 * 2 * M_PI), 1e-9);
    expect(friction()->ratio(Material::Hmpe, 'wood', 0))->toBe(1.0);
    expect(fn () => friction()->ratio(Material::Hmpe, 'ice', 1))->toThrow(Refusal::class, 'wood, steel, rope');
});

it('says how many wraps and hitches a rope asks for, and which bend', function (): void {
    expect(friction()->tautLineWraps(Material::Natural, false, 6, 6))->toBe(2)->and(friction()->tautLineWraps(Material::Nylon, false, 6, 6))->toBe(3)
        ->and(friction()->tautLineWraps(Material::Natural, false, 8, 6))->toBe(3);
    expect(friction()->truckersHalfHitches(Material::Polyester, false))->toBe(2)->and(friction()->truckersHalfHitches(Material::Polyester, true))->toBe(3);
});
