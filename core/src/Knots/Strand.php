<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * One rope or object of a drawing, laid out. A rope runs from its standing (loaded) end to its working end. Width in
 * rope widths.
 */
final readonly class Strand
{
    public function __construct(
        public string $id,
        public StrandKind $kind,
        public Curve $curve,
        public float $width,
        public string $word,
    ) {
    }
}
