<?php

declare(strict_types=1);

namespace App\Knots;

use App\Models\Group;
use Compadre\Core\Knots\View;
use Generator;

/**
 * What a device keeps of all knots for where there is no network, a part in one answer: asked for one by one they are hundreds.
 */
final readonly class KnotsToKeep
{
    /** What knots are held against while they are checked; asked for from the two sides that learners tie them. */
    private const COMPARED = 'compared';

    private const SPACE = 'space';

    public function __construct(private KnotView $knots, private KnotFacts $facts, private KnotCompared $compared, private KnotSpace $space)
    {
    }

    /**
     * @param  string  $part  a side to look from, "compared" or "space"
     * @return Generator<string, array<string, mixed>> each answer, as it is at its own address, by that address
     */
    public function of(Group $group, string $part): Generator
    {
        foreach ($this->knots->list() as ['id' => $id, 'methods' => $methods, 'in_space' => $inSpace]) {
            yield from match ($part) {
                self::COMPARED => $this->comparedOf($group, $id),
                self::SPACE => $this->spaceOf($id, $inSpace),
                default => $this->seen($group, $id, $methods, View::from($part)),
            };
        }
    }

    /**
     * @param  list<string>  $methods
     * @return Generator<string, array<string, mixed>>
     */
    private function seen(Group $group, string $id, array $methods, View $view): Generator
    {
        foreach ([null, ...array_slice($methods, 1)] as $asked) {
            $method = $asked ?? $group->methods[$id] ?? null;

            yield self::address("/api/knots/$id", ['view' => $view->value, 'method' => $asked]) => $this->knots->of($id, $method, $view->value) + $this->facts->of($group, $id, $method);
        }
    }

    /** @return Generator<string, array<string, mixed>> */
    private function comparedOf(Group $group, string $id): Generator
    {
        foreach ([View::Learner, View::Left] as $view) {
            yield self::address("/api/knots/$id/compared", ['view' => $view->value]) => $this->compared->of($id, $group->methods[$id] ?? null, $view->value);
        }
    }

    /**
     * @param  list<string>  $methods
     * @return Generator<string, array<string, mixed>>
     */
    private function spaceOf(string $id, array $methods): Generator
    {
        foreach ($methods as $method) {
            yield self::address("/api/knots/$id/space", ['method' => $method]) => $this->space->of($id, $method);
        }
    }

    /** @param  array<string, ?string>  $query */
    private static function address(string $path, array $query): string
    {
        return $path.'?'.http_build_query($query);
    }
}
