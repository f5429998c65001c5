<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * One rope or object of a drawing, laid out. A rope runs from its standing (loaded) end to its working end. Width in
 * rope widths. The bight is the waypoint of the tip of a rope that is tied doubled.
 */
final readonly class Strand
{
    public function __construct(
        public string $id,
        public StrandKind $kind,
        public Curve $curve,
        public float $width,
        public string $word,
        public ?float $bight = null,
        public RunsOn $runsOn = RunsOn::Start,
        public int $appears = 1,
    ) {
    }

    /**
     * Where the far side of a bight lies when its near side has come to a waypoint; waypoints lie alike on both sides. Null as
     * long as the rope is not doubled there.
     */
    public function farSide(float $waypoint): ?float
    {
        $mirrored = $this->bight === null ? INF : max($this->bight, 2 * $this->bight - $waypoint);

        return $mirrored >= count($this->curve->cubics) ? null : $this->curve->lengthAt($mirrored);
    }
}
