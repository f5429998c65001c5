<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RequiredTail;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

function packed(string $knot)
{
    static $library = null;
    $library ??= Library::at(dirname(__DIR__, 3).'/packs');

    return $library->knot($knot);
}

it('comes to what the rule says by hand', function (): void {
    $bowline = packed('bowline');
    $rope = RopeInHand::of(8, Material::Polyester);
    // A bowline in 8 mm rope: 700 mm between the marks, 500 of them the loop: 200 / 8 = 25.
    expect(Calibration::factor($bowline, $rope, 700, [], 500))->toEqualWithDelta(25.0, 1e-9);
    // A clove hitch round 60 mm: pi (60 + 8) x 1.5 turns, and 6 x 8 of itself.
    expect(Calibration::factor(packed('clove-hitch'), $rope, M_PI * 68 * 1.5 + 48, [['object' => 60, 'turns' => 1.5]]))->toEqualWithDelta(6.0, 1e-9);
    $own = Calibration::of($bowline, [25.0, 23.0]);
    expect($own->factor)->toEqualWithDelta((3 * 20 + 25 + 23) / 5, 1e-9)->and($own->spread)->toEqualWithDelta(sqrt(2), 1e-9);
    expect(Calibration::of($bowline, [])->factor)->toBe(20.0)->and(Calibration::of($bowline, [25.0])->spread)->toBeNull();
});

it('agrees with the slow obvious way, and the rope of a knot follows it', function (): void {
    mt_srand(11);
    foreach (range(1, 300) as $case) {
        $knot = packed(['bowline', 'clove-hitch', 'sheet-bend', 'water-knot', 'figure-eight', 'taut-line-hitch'][mt_rand(0, 5)]);
        $measures = [];
        for ($n = mt_rand(1, 9); $n > 0; $n--) {
            $measures[] = $knot->ropeFactor * mt_rand(60, 150) / 100;
        }
        $total = 0.0;
        foreach ([$knot->ropeFactor, $knot->ropeFactor, $knot->ropeFactor, ...$measures] as $one) {
            $total += $one;
        }
        $own = Calibration::of($knot, $measures);
        expect($own->factor)->toEqualWithDelta($total / (3 + count($measures)), 1e-9);
        expect($own->factor)->toBeGreaterThanOrEqual(min($knot->ropeFactor, ...$measures) - 1e-9)->toBeLessThanOrEqual(max($knot->ropeFactor, ...$measures) + 1e-9);
        $rope = RopeInHand::of(mt_rand(4, 12), Material::Nylon)->tiedAs($knot->tailClass);
        $tail = new RequiredTail(80, new Saying('rope.grips_as_usual'));
        $turns = [['object' => (float) mt_rand(20, 90), 'turns' => mt_rand(0, 4) / 2]];
        $used = RopeUse::of($knot, $rope, $tail, $turns, 300.0, null, $own);
        // Measured again, what it takes is what was estimated.
        expect(Calibration::factor($knot, $rope, $used->used, $turns, 300.0))->toEqualWithDelta($own->factor, 1e-6);
        expect($used->isFromSpace)->toBeFalse()->and(Catalogue::english()->say($used->reason))->toContain('Measured');
    }
});

it('takes slips of the hand for what they are', function (string $knot, float $measured, string $field): void {
    expect(fn () => Calibration::factor(packed($knot), RopeInHand::of(8, Material::Polyester), $measured))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field));
})->with([
    'far too little' => ['bowline', 40, '/measured_mm'], 'the loop forgotten' => ['bowline', 700, '/measured_mm'], 'nothing' => ['bowline', 0, '/measured_mm'], 'a lashing' => ['square-lashing', 3000, '/knot'],
]);
