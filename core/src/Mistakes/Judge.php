<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;

/**
 * Says what a way of tying comes to, from its overs and unders alone.
 */
final class Judge
{
    /** @var array<string, true> */
    private readonly array $fallen;

    private readonly string $right;

    public function __construct(private readonly Library $library, private readonly KnotIndex $index, private readonly KnotPack $knot, GaussCode $code)
    {
        $this->right = KnotIndex::key($knot, Fingerprint::of($code));
        $this->fallen = Fallen::keys($code);
    }

    public function outcome(GaussCode $code): Outcome
    {
        $print = Fingerprint::of($code);
        $key = KnotIndex::key($this->knot, $print);
        if ($key === $this->right) {
            return Outcome::same();
        }
        $named = $this->index->named($key);
        $mirror = array_filter($this->index->mirrorOf($key), fn (string $id): bool => ! $this->library->knot($id)->handMatters);
        if (in_array($this->knot->id, [...$named, ...$mirror], true)) {
            return Outcome::equallyGood();
        }
        // Of several that are not told apart, the one that is drawn just so.
        $id = $this->index->drawnSo($code) ?? $named[0] ?? array_values($mirror)[0] ?? null;
        if (isset($this->fallen[$print->key()])) {
            return Outcome::fallsOut($id);
        }

        return $id === null ? Outcome::unnamed() : Outcome::knot($id);
    }
}
