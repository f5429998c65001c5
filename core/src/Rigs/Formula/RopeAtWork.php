<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Formula;

use Closure;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;

/**
 * The rope a rig is built with, and what knots, turns and lashings take of it. Lengths in mm.
 */
final readonly class RopeAtWork
{
    /**
     * @param  Closure(KnotPack): ?float  $inSpace  what a knot drawn up in space takes, in diameters
     * @param  array<string, Calibration>  $own  what the group has measured, by knot
     */
    public function __construct(public RopeInHand $rope, private Library $library, private TailRule $tails, private Friction $friction, private Closure $inSpace, private array $own = [])
    {
    }

    public function diameter(): float
    {
        return $this->rope->diameter;
    }

    /** Rope inside a knot, without turns round a thing and without the tail. */
    public function used(string $knot): float
    {
        $pack = $this->library->knot($knot);
        $held = $this->rope->tiedAs($pack->tailClass);

        return RopeUse::of($pack, $held, $this->tails->required($pack->tailClass, $held, TailSchool::Longer, false), inSpace: ($this->inSpace)($pack), own: $this->own[$knot] ?? null)->used;
    }

    public function tail(string $knot): float
    {
        $pack = $this->library->knot($knot);

        return (float) $this->tails->required($pack->tailClass, $this->rope->tiedAs($pack->tailClass), TailSchool::Longer, false)->millimetres;
    }

    /** The tail of a knot in another rope. */
    public function tailIn(string $knot, float $diameter, string $material): float
    {
        $rope = RopeInHand::of($diameter, Material::from($material), $this->rope->wet);

        return (float) $this->tails->required($this->library->knot($knot)->tailClass, $rope, TailSchool::Longer, false)->millimetres;
    }

    /** So many times round a thing of that diameter. */
    public function turns(float $turns, float $object): float
    {
        return $turns * M_PI * ($object + $this->rope->diameter);
    }

    /** @param  list<float>  $poles */
    public function lashing(string $kind, array $poles): Lashing
    {
        return Lashing::of(LashingKind::from($kind), $poles, $this->rope->diameter);
    }

    public function haulingGain(): float
    {
        return $this->friction->truckersPull($this->rope->material, $this->rope->wet);
    }

    /** Load over hold after so many turns round wood. */
    public function grip(float $turns): float
    {
        return $this->friction->ratio($this->rope->material, 'wood', $turns, $this->rope->wet);
    }

    /** Wraps inside a taut-line hitch on a line of that diameter. */
    public function tautWraps(float $held): float
    {
        return $this->friction->tautLineWraps($this->rope->material, $this->rope->wet, $this->rope->diameter, $held);
    }

    public function halfHitches(): float
    {
        return $this->friction->truckersHalfHitches($this->rope->material, $this->rope->wet);
    }

    public function slips(): bool
    {
        return $this->friction->slips($this->rope->material, $this->rope->wet);
    }

    public function isSlippery(string $material): bool
    {
        return $this->friction->slips(Material::from($material), $this->rope->wet);
    }

    /** What is left of the grip of so many turns round wood when the rope gets wet: a share of 1. */
    public function wetShare(float $turns): float
    {
        $material = $this->rope->material;

        return $this->friction->ratio($material, 'wood', $turns, true) / $this->friction->ratio($material, 'wood', $turns);
    }
}
