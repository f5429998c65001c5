<?php

declare(strict_types=1);

use Compadre\Core\Compute\RigOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\DrawingLimits;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Words\Catalogue;

require_once dirname(__DIR__).'/Compute/AnyInput.php';

/*
 * Packs are written by people, and those of a group by its leaders: one with a fault is refused in words, with the field. It never breaks
 * what reads it, however the fault lies. Real packs are spoilt in one place or two, by chance and by the same chance each time.
 */

const PACKS_HERE = __DIR__.'/../../../packs';

/** @return array<mixed> */
function packHere(string $file): array
{
    return Json::arrays(Json::file(PACKS_HERE."/$file"));
}

/**
 * Has every pack of a folder spoilt so many times, and read.
 *
 * @param  Closure(array<mixed>, AnyInput): void  $read  all that is done with one
 * @return array{taken: int, refused: int, fields: array<string, true>}
 */
function spoilt(string $kind, int $each, Closure $read): array
{
    $schema = packHere('schema/'.rtrim($kind, 's').'.schema.json');
    $found = ['taken' => 0, 'refused' => 0, 'fields' => []];
    foreach (glob(PACKS_HERE."/$kind/*.json") ?: [] as $file) {
        $pack = packHere("$kind/".basename($file));
        for ($case = 0; $case < $each; $case++) {
            $any = new AnyInput(crc32(basename($file)." $case"), []);
            $bad = $case % 4 === 0 ? $any->spoilt($pack) : $any->mixedUp($pack);
            $bad = $case % 4 === 3 ? $any->mixedUp($bad) : $bad;
            if (! is_array($bad)) {
                continue;
            }
            try {
                Schema::hold(json_decode(Json::write($bad)), $schema);
                $read($bad, $any);
                $found['taken']++;
            } catch (Refusal $refusal) {
                $found['refused']++;
                $found['fields'][$refusal->field] = true;
                expect($refusal->getMessage())->not->toBe('')->and($refusal->allowed)->not->toBe('');
            } catch (Throwable $fault) {
                throw new RuntimeException(basename($file).", case $case: ".$fault::class.': '.$fault->getMessage().' in '.basename($fault->getFile()).':'.$fault->getLine()."\n".Json::write($bad), 0, $fault);
            }
        }
    }

    return $found;
}

it('refuses a rig with a fault, or works it', function (): void {
    $library = Library::at(PACKS_HERE);
    $shelf = RigShelf::at(PACKS_HERE, $library);
    $rope = Fields::of(packHere('materials/rope.json'));
    $found = spoilt('rigs', 60, function (array $pack) use ($library, $shelf, $rope): void {
        $own = $shelf->with([Fields::of($pack, '/pack')]);
        $rig = $own->rig((string) $pack['id']);
        $answer = (new RigOperation($own, $library, TailRule::fromPack($rope), Friction::fromPack($rope), new FormFile(PACKS_HERE)))
            ->run(Fields::of(['rig' => $rig->id, 'answers' => $rig->starts(), 'rope' => ['diameter_mm' => 8, 'material' => 'polyester'], 'sketch' => true]));
        Json::write($answer);
    });
    expect($found['taken'])->toBeGreaterThan(100)->and($found['refused'])->toBeGreaterThan(400)->and(count($found['fields']))->toBeGreaterThan(60);
});

it('refuses a badge with a fault, or says what does not hold together in it', function (): void {
    $library = Library::at(PACKS_HERE);
    $shelf = BadgeShelf::at(PACKS_HERE);
    $found = spoilt('badges', 200, function (array $pack) use ($library, $shelf): void {
        $badge = BadgePack::from(Fields::of($pack, '/pack'));
        foreach ($shelf->with([$badge])->faults($badge, $library) as $fault) {
            expect(Catalogue::english()->say($fault))->not->toBe('');
        }
    });
    expect($found['taken'])->toBeGreaterThan(100)->and($found['refused'])->toBeGreaterThan(400)->and(count($found['fields']))->toBeGreaterThan(20);
});

it('refuses a knot with a fault in its words, or draws it', function (): void {
    $found = spoilt('knots', 8, function (array $pack): void {
        $knot = KnotPack::from(Fields::of($pack), $pack['id'].'.json');
        foreach ($knot->methods as $method) {
            $loose = DiagramBuilder::loose($method, $knot->file);
            DiagramBuilder::tight($method, $knot->file);
            PaintOrder::of($loose);
            $method->verifyParts($loose);
            DrawingLimits::hold($method, $knot->file);
            StepStates::of($method, $loose, $knot->file);
        }
    });
    expect($found['taken'])->toBeGreaterThan(40)->and($found['refused'])->toBeGreaterThan(100)->and(count($found['fields']))->toBeGreaterThan(50);
});
