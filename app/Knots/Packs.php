<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\TailRule;

/**
 * The packs that are single files.
 */
final class Packs
{
    private ?TailRule $tails = null;

    private ?Friction $friction = null;

    public function tails(): TailRule
    {
        return $this->tails ??= TailRule::fromPack(self::rope());
    }

    public function friction(): Friction
    {
        return $this->friction ??= Friction::fromPack(self::rope());
    }

    private static function rope(): Fields
    {
        return Fields::of(Json::arrays(Json::file(config()->string('app.packs').'/materials/rope.json')));
    }
}
