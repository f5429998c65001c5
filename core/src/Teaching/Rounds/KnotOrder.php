<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * Puts knots into an order in which what comes before another stands before it; else by id.
 */
final class KnotOrder
{
    /** @var array<string, KnotPack> in order, by id */
    private array $done = [];

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  list<string>  $knots
     * @return list<KnotPack> they and all that comes before them
     */
    public function of(array $knots): array
    {
        sort($knots, SORT_STRING);
        foreach ($knots as $knot) {
            $this->put($knot, []);
        }

        return array_values($this->done);
    }

    /** @param  list<string>  $way  to notice a circle */
    private function put(string $knot, array $way): void
    {
        if (isset($this->done[$knot])) {
            return;
        }
        if (in_array($knot, $way, true)) {
            throw Refusal::of('/prerequisites', $way, 'teaching.circle', ['knots' => $way]);
        }
        $pack = $this->library->knot($knot);
        foreach ($pack->prerequisites as $first) {
            $this->put($first, [...$way, $knot]);
        }
        $this->done[$knot] = $pack;
    }
}
