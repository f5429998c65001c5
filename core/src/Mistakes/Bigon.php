<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * Two crossings with nothing between them on either strand.
 */
final readonly class Bigon
{
    /**
     * @param  int  $place of the first crossing along the strand; the second follows
     * @param  int  $at of the first crossing along the other strand
     * @param  int  $way +1 where the other strand runs beside it, -1 where it runs against it
     */
    public function __construct(
        public int $first,
        public int $second,
        public int $strand,
        public int $place,
        public int $other,
        public int $at,
        public int $way,
    ) {
    }

    /** One strand twisted with itself, there and back: a half turn less or more leaves one rope. */
    public function isThereAndBack(): bool
    {
        return $this->strand === $this->other && $this->way === -1;
    }
}
