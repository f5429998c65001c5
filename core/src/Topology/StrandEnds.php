<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * An open strand as a fingerprint knows it: its kind, and the names of its two ends.
 */
final readonly class StrandEnds
{
    public function __construct(public string $kind, public string $first, public string $second, public bool $isRope)
    {
    }

    /** @return list<array{string, string}> the ways its ends may be taken: an object has no end that is the first */
    public function ways(): array
    {
        $way = [$this->first, $this->second];

        return $this->isRope ? [$way] : [$way, array_reverse($way)];
    }
}
