<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\Material;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\FreeEnd;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Pull\PullFile;
use Compadre\Core\Space\Pull\Pulling;
use Compadre\Core\Space\Pull\PullResult;
use Compadre\Core\Space\Pull\Tow;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;

const PULL_PACKS = __DIR__.'/../../../packs';

/** @return array<string, array{KnotPack}> */
function pulledKnots(): array
{
    return array_map(static fn (KnotPack $knot): array => [$knot], PullFile::wanted(Library::at(PULL_PACKS)));
}

/** Friction of rope on rope in the rope that others are measured by. */
function usualFriction(): float
{
    return Friction::fromPack(Fields::of(Json::arrays(Json::file(PULL_PACKS.'/materials/rope.json'))))->coefficient(Material::USUAL, 'rope');
}

/** A rope that lies some turns round a bar, with a load at one end and a tail at the other. */
function roundABar(float $turns): array
{
    $points = [];
    $rise = 1.05;
    for ($k = 0; $k <= 30; $k++) {
        $points[] = [3.0, -9.0 + 0.3 * $k, 0.0];
    }
    $round = (int) ceil($turns * 60);
    for ($k = 1; $k <= $round; $k++) {
        $angle = 2 * M_PI * $turns * $k / $round;
        $points[] = [3.0 * cos($angle), 3.0 * sin($angle), $rise * $turns * $k / $round];
    }
    [$x, $y, $z] = $points[count($points) - 1];
    $angle = 2 * M_PI * $turns;
    for ($k = 1; $k <= 30; $k++) {
        $points[] = [$x - 0.3 * $k * sin($angle), $y + 0.3 * $k * cos($angle), $z];
    }

    return [
        [new SpaceStrand('rope', false, $points)], [[new FreeEnd(0.0, -1.0, 0.0, 6.0, true), new FreeEnd(-sin($angle), cos($angle), 0.0, 3.5, false)]],
        [new Solid(StrandKind::Pole, [0.0, 0.0, -10.0], [0.0, 0.0, 20.0], 2.5)],
    ];
}

it('keeps what is pulled at as what its drawing says, still the knot in every frame, with nothing through anything', function (KnotPack $knot): void {
    $files = new PullFile(PULL_PACKS);
    expect($files->isCurrent($knot, usualFriction()))->toBeTrue();
    $pulled = $files->read($knot);
    $proof = new Proof(Lift::of($knot, $knot->methods[0]));
    expect(count($pulled->frames))->toBeGreaterThan(5);
    $lengths = array_map(static fn (SpaceStrand $rope): float => $rope->length(), $pulled->frames[0]);
    foreach ($pulled->frames as $ropes) {
        expect(Nearness::least($ropes))->toBeGreaterThan(0.9)->and($proof->isStill($ropes))->toBeTrue();
        foreach ($ropes as $number => $rope) {
            // Rope is stretched by the pull, and by no more.
            expect($rope->length() / $lengths[$number])->toBeGreaterThan(0.97)->toBeLessThan(1.06);
        }
    }
    expect(strlen((string) gzencode((string) file_get_contents($files->path($knot)), 9)))->toBeLessThan(10_000);
})->with(pulledKnots(...));

it('ranks what is pulled at as experience does: the right knot creeps less than what each mistake makes of it', function (): void {
    $library = Library::at(PULL_PACKS);
    $files = new PullFile(PULL_PACKS);
    $travel = static fn (string $id): float => $files->read($library->knot($id))->travel;
    $pairs = 0;
    foreach ($library->all() as $knot) {
        foreach ($knot->pulledBeside as $wrong) {
            expect($travel($wrong))->toBeGreaterThan(1.5 * $travel($knot->id), "$knot->id beside $wrong");
            $pairs++;
        }
    }
    expect($pairs)->toBeGreaterThanOrEqual(5);
    expect($travel('square-knot'))->toBeLessThan($travel('thief-knot'))->and($travel('granny-knot'))->toBeLessThan($travel('grief-knot'));
    expect($files->read($library->knot('square-knot'))->result)->toBe(PullResult::Holds)->and($files->read($library->knot('bowline'))->result)->toBe(PullResult::Holds);
    expect($files->read($library->knot('granny-knot'))->result)->toBe(PullResult::Slides)->and($files->read($library->knot('bowline-falling'))->result)->toBe(PullResult::Slides);
    expect($files->read($library->knot('thief-knot'))->result)->toBe(PullResult::FallsOut);
});

it('ranks them so in other ropes', function (string $material): void {
    $travel = [];
    foreach (['square-knot', 'thief-knot', 'granny-knot', 'grief-knot'] as $id) {
        $process = proc_open([PHP_BINARY, dirname(PULL_PACKS).'/core/bin/compute', 'space'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        fwrite($pipes[0], (string) json_encode(['knot' => $id, 'pull' => true, 'rope' => ['material' => $material]]));
        fclose($pipes[0]);
        $travel[$id] = Json::arrays(Json::read((string) stream_get_contents($pipes[1])))['pull']['travel'];
        proc_close($process);
    }
    expect($travel['square-knot'])->toBeLessThan($travel['thief-knot'])->and($travel['granny-knot'])->toBeLessThan($travel['grief-knot']);
    expect($travel['square-knot'])->toBeLessThan($travel['granny-knot']);
})->with(['polypropylene']);

it('pulls a rope round a bar as Euler has it: friction and turns hold it', function (): void {
    $crept = static function (float $turns, float $friction): float {
        [$ropes, $ends, $solids] = roundABar($turns);
        $tow = new Tow($ropes, $ends, $solids, $friction, 0.35);
        $most = 0.0;
        for ($round = 0; $round < 600; $round++) {
            $tow->round();
            $most = max($most, $tow->stretch());
        }
        expect($most)->toBeLessThan(0.06);

        return $tow->crept([0, false]);
    };
    $none = $crept(1.25, 0.0);
    $some = $crept(1.25, 0.1);
    $much = $crept(1.25, 0.4);
    expect($none)->toBeGreaterThan(1.0)->and($some)->toBeLessThan(0.95 * $none)->and($much)->toBeLessThan(0.8 * $some);
    // A round turn holds what half a turn lets go.
    expect($crept(1.75, 0.2))->toBeLessThan($crept(0.25, 0.2));
});

it('knows which way leads out of a bar and a ring, by the slow way', function (): void {
    mt_srand(20);
    $solids = [new Solid(StrandKind::Pole, [-1.0, 2.0, 0.5], [4.0, -3.0, 2.0], 1.3), new Solid(StrandKind::Ring, [-3.0, 1.0, 0.0], [5.0, 1.0, 0.0], 0.8)];
    for ($try = 0; $try < 300; $try++) {
        $solid = $solids[$try % 2];
        // Beside the bar, not beyond its ends, where the nearest place of it is no place of its side.
        $share = mt_rand(100, 900) / 1000;
        $place = [];
        foreach ([0, 1, 2] as $axis) {
            $place[$axis] = $solid->from[$axis] + $share * ($solid->to[$axis] - $solid->from[$axis]) + mt_rand(-1000, 1000) / 800;
        }
        $along = 0.0;
        foreach ([0, 1, 2] as $axis) {
            $along += ($place[$axis] - $solid->from[$axis]) * $solid->way()[$axis];
        }
        if (! $solid->isRing() && ($along < 0.1 || $along > $solid->length() - 0.1)) {
            continue;
        }
        $out = $solid->outward($place);
        foreach ([0, 1, 2] as $axis) {
            $on = $place;
            $on[$axis] += 1e-6;
            expect($out[$axis])->toEqualWithDelta(($solid->distance($on) - $solid->distance($place)) / 1e-6, 1e-3);
        }
    }
});

it('makes the same of a knot again', function (): void {
    $knot = Library::at(PULL_PACKS)->knot('granny-knot');
    $made = Pulling::of($knot, $knot->methods[0], (new FormFile(PULL_PACKS))->read($knot, $knot->methods[0])->form, usualFriction());
    $kept = (new PullFile(PULL_PACKS))->read($knot);
    expect($made->result)->toBe($kept->result)->and($made->travel)->toEqualWithDelta($kept->travel, 0.05);
    $far = 0.0;
    foreach ($made->frames as $frame => $ropes) {
        foreach ($ropes as $number => $rope) {
            foreach ($rope->points as $k => $point) {
                $far = max($far, abs($point[0] - $kept->frames[$frame][$number]->points[$k][0]), abs($point[1] - $kept->frames[$frame][$number]->points[$k][1]));
            }
        }
    }
    expect($far)->toBeLessThan(0.2);
});

it('refuses to pull where nothing holds against it', function (string $id): void {
    $knot = Library::at(PULL_PACKS)->knot($id);
    expect(fn () => Pulling::of($knot, $knot->methods[0], (new FormFile(PULL_PACKS))->read($knot, $knot->methods[0])->form, 0.2))->toThrow(Refusal::class, '/pull');
})->with(['figure-eight', 'square-lashing']);
