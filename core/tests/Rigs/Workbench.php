<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Formula\Functions;
use Compadre\Core\Rigs\Formula\Language;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\Rigging;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;

function rigLibrary(): Library
{
    static $library = null;

    return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
}

/** Rope at work without what was measured in space: every knot takes its starting value. */
function ropeAtWork(float $diameter, Material $material = Material::Polyester, bool $wet = false): RopeAtWork
{
    $pack = Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json')));

    return new RopeAtWork(RopeInHand::of($diameter, $material, $wet), rigLibrary(), TailRule::fromPack($pack), Friction::fromPack($pack), static fn (): ?float => null);
}

function worked(string $formula, array $values = [], array $units = [], float $d = 6): float
{
    $units = array_map(Unit::of(...), $units);

    return (new Language(new Functions(rigLibrary())))->read($formula, $units, '/is')->number($values, ropeAtWork($d));
}

function rigShelf(): RigShelf
{
    static $shelf = null;

    return $shelf ??= RigShelf::at(dirname(__DIR__, 3).'/packs', rigLibrary());
}

function rigSchema(): array
{
    return Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/schema/rig.schema.json'));
}

function rigged(string $rig, array $answers = [], float $d = 6, Material $material = Material::Polyester, array $knots = []): Rigged
{
    $pack = rigShelf()->rig($rig);

    return Rigging::of($pack, Fields::of($answers + $pack->starts(), '/answers'), ropeAtWork($d, $material), $knots);
}

/** Rope in all, in mm. */
function ropeIn(Rigged $rigged): float
{
    return array_sum(array_map(static fn ($member): float => $member->kind === 'rope' ? $member->count * $member->length : 0.0, $rigged->members));
}

function lengthOf(Rigged $rigged, string $member): float
{
    foreach ($rigged->members as $one) {
        if ($one->id === $member) {
            return $one->length;
        }
    }

    throw new LogicException("no member $member");
}
