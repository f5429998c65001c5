<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Saying;

/**
 * How rope grips: Euler's capstan, load = hold x exp(mu theta), and what follows for knots. The constants are the pack's
 * (packs/materials/rope.json). A teaching model: real ropes are tested, not computed.
 */
final readonly class Friction
{
    /** Rope on rope below this, and a taut-line hitch wants a wrap more, a trucker's hitch a third half hitch. */
    private const SLIPPERY = 0.18;

    /**
     * @param  array<string, float>  $mu  on wood, by material
     * @param  array<string, float>  $against  factor by what the rope runs on
     */
    private function __construct(private array $mu, private array $against, private float $wet)
    {
    }

    public static function fromPack(Fields $pack): self
    {
        $mu = array_map(static fn (Fields $material): float => $material->number('mu'), $pack->map('materials'));
        $friction = $pack->object('friction');

        return new self($mu, ['wood' => $friction->number('wood'), 'steel' => $friction->number('steel'), 'rope' => $friction->number('rope')], $friction->number('wet'));
    }

    public function coefficient(Material $material, string $object, bool $wet = false): float
    {
        return $this->mu[$material->value] * ($this->against[$object] ?? throw Refusal::of('/object', $object, 'any.one_of', ['list' => array_keys($this->against)])) * ($wet ? $this->wet : 1.0);
    }

    /** Load over hold after some turns; 1 is once round, 2 pi. */
    public function ratio(Material $material, string $object, float $turns, bool $wet = false): float
    {
        if ($turns < 0) {
            throw Refusal::of('/turns', $turns, 'any.at_least', ['least' => 0]);
        }

        return exp($this->coefficient($material, $object, $wet) * 2 * M_PI * $turns);
    }

    public function reason(Material $material, string $object, float $turns, bool $wet = false): Saying
    {
        return new Saying('rigs.friction', [
            'turns' => round($turns, 2), 'wet' => $wet ? 'yes' : 'no', 'rope' => $material->said(), 'object' => $object, 'load' => round(10 * $this->ratio($material, $object, $turns, $wet), 1),
        ]);
    }

    /** Wraps inside the loop of a taut-line hitch: two, one more where rope slides on rope, one more where the tying line is the thicker. */
    public function tautLineWraps(Material $material, bool $wet, float $tying, float $held): int
    {
        return 2 + ($this->slips($material, $wet) || $tying > $held ? 1 : 0);
    }

    /** Half hitches that finish a trucker's hitch. */
    public function truckersHalfHitches(Material $material, bool $wet): int
    {
        return $this->slips($material, $wet) ? 3 : 2;
    }

    /** What a trucker's hitch makes of a pull, hauling back toward the anchor: rope on rope in the loop, then rope on the post; 3 without friction. */
    public function truckersPull(Material $material, bool $wet = false): float
    {
        $loop = exp(-$this->coefficient($material, 'rope', $wet) * M_PI);
        $post = exp(-$this->coefficient($material, 'wood', $wet) * M_PI);

        return 1 + $loop + $loop * $post;
    }

    /** Whether rope slides on rope so easily that grip knots want more of it. */
    public function slips(Material $material, bool $wet): bool
    {
        return $this->coefficient($material, 'rope', $wet) < self::SLIPPERY;
    }
}
