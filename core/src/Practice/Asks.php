<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

/**
 * Makes tasks of one kind.
 */
interface Asks
{
    /** @return ?Task null where this knot has nothing to ask of that kind */
    public function of(Sample $sample, Lot $lot): ?Task;
}
