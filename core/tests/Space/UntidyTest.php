<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Refusal;
use Compadre\Core\Space\Faces;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Scene;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Strain;
use Compadre\Core\Space\Untidy\Carelessly;
use Compadre\Core\Space\Untidy\CrossedTwins;
use Compadre\Core\Space\Untidy\Curls;
use Compadre\Core\Space\Untidy\Fault;
use Compadre\Core\Space\Untidy\UntidyFile;

/** Those that friction alone does not let draw up: their slack has to be worked out by hand. */
const STAYS_SLACK = ['packers-knot, eight-round-the-line', 'round-turn-and-two-half-hitches, slipped'];

/** Those in which no curl holds, or none is to be seen. */
const NO_CURL = ['hoisting-hitch, up-the-shaft', 'square-bow, extra-wrap'];

const UNTIDY_PACKS = __DIR__.'/../../../packs';

/** @return array<string, array{KnotPack, Method}> every method that untidy forms are kept of */
function untidied(): array
{
    $methods = [];
    foreach (Library::at(UNTIDY_PACKS)->all() as $knot) {
        foreach (UntidyFile::wanted($knot) as $method) {
            $methods["$knot->id, $method->id"] = [$knot, $method];
        }
    }

    return $methods;
}

it('keeps every knot whose dressing is checked untidy, too: still the knot, whole, and with rope to spare', function (KnotPack $knot, Method $method): void {
    $files = new UntidyFile(UNTIDY_PACKS);
    expect($files->isCurrent($knot, $method))->toBeTrue()->and($files->faults($knot, $method))->toContain(Fault::Slack);
    $tidy = (new FormFile(UNTIDY_PACKS))->read($knot, $method)->form;
    $scene = Lift::of($knot, $method);
    foreach ($files->read($knot, $method) as $form) {
        foreach ($form->frames as $ropes) {
            expect(Proof::isSame($scene, $ropes))->toBeTrue();
            expect(Nearness::least($ropes))->toBeGreaterThan(0.97)->and(Strain::of($ropes))->toBeLessThan(0.03);
            expect(array_column($ropes, 'id'))->toBe(array_column($tidy->tight(), 'id'));
            expect(array_map(static fn (SpaceStrand $rope): int => count($rope->points), $ropes))->toBe(array_map(static fn (SpaceStrand $rope): int => count($rope->points), $form->untidy()));
            foreach ($scene->solids as $solid) {
                foreach ($ropes as $rope) {
                    foreach ($rope->points as $point) {
                        $solid->distance($point) > 0.47 || $this->fail("{$rope->id} lies in the {$solid->kind->value}");
                    }
                }
            }
        }
        if ($form->fault === Fault::Slack) {
            expect(SpaceStrand::lengthOf($form->untidy()))->toBeGreaterThan(SpaceStrand::lengthOf($tidy->tight()) + 1);
        }
    }
    expect(strlen((string) gzencode((string) file_get_contents($files->path($knot, $method)), 9)))->toBeLessThan(40_000);
})->with(untidied(...));

it('draws the slack out again, little by little, until it is out', function (KnotPack $knot, Method $method): void {
    $dressed = SpaceStrand::lengthOf((new FormFile(UNTIDY_PACKS))->read($knot, $method)->form->tight());
    $slack = (new UntidyFile(UNTIDY_PACKS))->one($knot, $method, Fault::Slack);
    $lengths = array_map(SpaceStrand::lengthOf(...), $slack->frames);
    expect(count($lengths))->toBeGreaterThan(1)->and(end($lengths))->toBeGreaterThan($dressed - 1.5)->toBeLessThan($dressed + 0.4 * ($lengths[0] - $dressed));
    foreach (array_slice($lengths, 1) as $k => $length) {
        expect($length)->toBeLessThan($lengths[$k]);
    }
})->with(fn (): array => array_diff_key(untidied(), array_flip(STAYS_SLACK)));

it('crosses twins only where a knot is tied doubled', function (): void {
    $doubled = [];
    foreach (untidied() as $name => [$knot, $method]) {
        if (in_array(Fault::Crossed, (new UntidyFile(UNTIDY_PACKS))->faults($knot, $method), true)) {
            $doubled[] = explode(',', $name)[0];
        }
    }
    expect(array_values(array_unique($doubled)))->toEqualCanonicalizing(['figure-eight-loop', 'figure-eight-retraced', 'overhand-loop', 'square-bow', 'water-knot']);
});

it('leaves a curl in a rope, round what held it open', function (KnotPack $knot, Method $method): void {
    $curled = (new UntidyFile(UNTIDY_PACKS))->one($knot, $method, Fault::Curled);
    $held = array_filter(Curls::of(DiagramBuilder::loose($method, $knot->file), Lift::of($knot, $method)), static fn (Scene $one): bool => Curls::areIn($one, $curled->untidy()));
    expect($curled->frames)->toHaveCount(1)->and($held)->not->toBe([]);
})->with(fn (): array => array_diff_key(untidied(), array_flip(NO_CURL)));

it('lays a curl in one length that runs free, and it is the same knot before it is drawn up', function (string $id): void {
    $knot = Library::at(UNTIDY_PACKS)->knot($id);
    $scene = Lift::of($knot, $knot->method(null));
    $curled = Curls::of(DiagramBuilder::loose($knot->method(null), $knot->file), $scene);
    expect($curled)->not->toBe([]);
    foreach ($curled as $one) {
        expect(Proof::isSame($scene, $one->ropes))->toBeTrue()->and(Curls::areIn($one, $one->ropes))->toBeTrue()->and(Curls::areIn($one, $scene->ropes))->toBeFalse();
        expect(array_filter(array_map(static fn (SpaceStrand $rope, SpaceStrand $was): bool => $rope->points !== $was->points, $one->ropes, $scene->ropes)))->toHaveCount(1);
        expect(SpaceStrand::lengthOf($one->ropes))->toBeGreaterThan(SpaceStrand::lengthOf($scene->ropes) + 4);
    }
})->with(['overhand', 'square-knot', 'bowline', 'water-knot']);

it('changes the places of twins and of nothing else, and it is the same knot before it is drawn up', function (string $id): void {
    $knot = Library::at(UNTIDY_PACKS)->knot($id);
    $method = $knot->method(null);
    $scene = Lift::of($knot, $method);
    $crossed = CrossedTwins::of(DiagramBuilder::loose($method, $knot->file), $scene);
    expect($crossed)->not->toBe([]);
    foreach ($crossed as $one) {
        expect(Proof::isSame($scene, $one->ropes))->toBeTrue();
        $moved = 0;
        foreach ($one->ropes as $number => $rope) {
            foreach ($rope->points as $k => $point) {
                $before = $scene->ropes[$number]->points[$k];
                $moved += $point === $before ? 0 : 1;
                // No further than to where the twin lies, and a little up or down.
                expect(hypot($point[0] - $before[0], $point[1] - $before[1]))->toBeLessThan(2.5);
            }
        }
        expect($moved)->toBeGreaterThan(10);
    }
})->with(['water-knot', 'figure-eight-loop', 'overhand-loop']);

it('finds no twins where ropes only cross', function (): void {
    $knot = Library::at(UNTIDY_PACKS)->knot('square-knot');
    expect(CrossedTwins::of(DiagramBuilder::loose($knot->method(null), $knot->file), Lift::of($knot, $knot->method(null))))->toBe([]);
});

it('finds as many faces as a drawing of so many crossings has', function (string $id): void {
    // After Euler: an open drawing in one piece shuts in as many faces as it has crossings, less its ropes, and one.
    $knot = Library::at(UNTIDY_PACKS)->knot($id);
    $diagram = DiagramBuilder::loose($knot->method(null), $knot->file);
    $faces = Faces::of($diagram);
    expect($faces)->toHaveCount(count($diagram->crossings) - count($diagram->strands) + 1);
    expect(array_column($faces, 1))->toBe(array_reverse(array_values((static function (array $clear): array {
        sort($clear);

        return $clear;
    })(array_column($faces, 1)))));
})->with(['figure-eight', 'square-knot', 'granny-knot', 'thief-knot']);

it('leaves the same knot as untidy again', function (string $id): void {
    $knot = Library::at(UNTIDY_PACKS)->knot($id);
    $method = $knot->method(null);
    $made = Carelessly::tied($knot, $method, (new FormFile(UNTIDY_PACKS))->read($knot, $method));
    $kept = (new UntidyFile(UNTIDY_PACKS))->read($knot, $method);
    expect(array_column($made, 'fault'))->toBe(array_column($kept, 'fault'));
    foreach ($kept as $at => $form) {
        // What is kept was made on another machine, whose sines may differ in their last digit.
        foreach ($form->frames as $moment => $ropes) {
            expect(SpaceStrand::lengthOf($made[$at]->frames[$moment] ?? []))->toEqualWithDelta(SpaceStrand::lengthOf($ropes), 0.2);
        }
    }
})->with(['overhand', 'figure-eight', 'square-knot']);

it('knows what was made of another drawing, and what is not kept', function (): void {
    $knot = Library::at(UNTIDY_PACKS)->knot('overhand');
    $method = $knot->method(null);
    $folder = sys_get_temp_dir().'/untidy-'.bin2hex(random_bytes(6));
    mkdir("$folder/space/overhand", 0o755, true);
    $files = new UntidyFile($folder);
    expect($files->isCurrent($knot, $method))->toBeFalse()->and($files->read($knot, $method))->toBe([]);
    $files->write($knot, $method, (new UntidyFile(UNTIDY_PACKS))->read($knot, $method));
    $path = $files->path($knot, $method);
    expect(file_get_contents($path))->toBe(file_get_contents((new UntidyFile(UNTIDY_PACKS))->path($knot, $method)))->and($files->isCurrent($knot, $method))->toBeTrue();
    expect(fn () => $files->one($knot, $method, Fault::Crossed))->toThrow(Refusal::class, 'crossed');
    file_put_contents($path, preg_replace('/"stamp":"[0-9a-f]+"/', '"stamp":"0123456789abcdef"', (string) file_get_contents($path)));
    expect($files->isCurrent($knot, $method))->toBeFalse();
    $files->write($knot, $method, []);
    expect($files->read($knot, $method))->toBe([])->and($files->isCurrent($knot, $method))->toBeTrue();
    unlink($path);
});
