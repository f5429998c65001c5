<?php

declare(strict_types=1);

namespace App\Knots;

use App\Models\Group;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Space\Untidy\UntidyFile;
use Generator;

/**
 * What a device keeps of all knots for where there is no network, a part in one answer: asked for one by one they are hundreds.
 */
final readonly class KnotsToKeep
{
    /** What knots are held against while they are checked; asked for from the two sides that learners tie them. */
    private const COMPARED = 'compared';

    private const SPACE = 'space';

    /** To draw all knots for the first time takes longer than a request may: no longer than this, in seconds. What was drawn is kept. */
    private const PATIENCE = 15.0;

    public function __construct(private Library $library, private KnotView $knots, private KnotFacts $facts, private KnotCompared $compared, private KnotSpace $space, private UntidyFile $untidy)
    {
    }

    /**
     * @param  string  $part  a side to look from, "compared" or "space"
     * @return Generator<string, array<string, mixed>> each answer, as it is at its own address, by that address
     */
    public function of(Group $group, string $part): Generator
    {
        foreach ($this->library->all() as $knot) {
            yield from match (true) {
                ! $knot->isTaught() => [],
                $part === self::COMPARED => $this->comparedOf($group, $knot->id),
                $part === self::SPACE => $this->spaceOf($knot),
                default => $this->seen($group, $knot, View::from($part)),
            };
        }
    }

    /** @return float for how many seconds it is worth computing a part before it is answered as far as it is */
    public static function patience(string $part): float
    {
        // Ropes in space are only read, and read anew each time.
        return $part === self::SPACE ? INF : self::PATIENCE;
    }

    /**
     * As a screen asks for it: the house's own way without a name, and each but the first by its name.
     *
     * @return Generator<string, array<string, mixed>>
     */
    private function seen(Group $group, KnotPack $knot, View $view): Generator
    {
        foreach ($knot->ways() as $number => $way) {
            $asked = $number === 0 ? null : $way->id;
            $method = $asked ?? $group->methods[$knot->id] ?? null;

            yield self::address("/api/knots/$knot->id", ['view' => $view->value, 'method' => $asked]) => $this->knots->of($knot->id, $method, $view->value) + $this->facts->of($group, $knot->id, $method);
        }
    }

    /** @return Generator<string, array<string, mixed>> */
    private function comparedOf(Group $group, string $id): Generator
    {
        foreach ([View::Learner, View::Left] as $view) {
            yield self::address("/api/knots/$id/compared", ['view' => $view->value]) => $this->compared->of($id, $group->methods[$id] ?? null, $view->value);
        }
    }

    /** @return Generator<string, array<string, mixed>> */
    private function spaceOf(KnotPack $knot): Generator
    {
        foreach ($this->knots->inSpace($knot) as $method) {
            yield self::address("/api/knots/$knot->id/space", ['method' => $method]) => $this->space->of($knot->id, $method);
            foreach ($this->untidy->faults($knot, $knot->method($method)) as $fault) {
                yield self::address("/api/knots/$knot->id/space", ['method' => $method, 'untidy' => $fault->value]) => $this->space->untidy($knot->id, $method, $fault->value);
            }
        }
    }

    /** @param  array<string, ?string>  $query */
    private static function address(string $path, array $query): string
    {
        return $path.'?'.http_build_query($query);
    }
}
