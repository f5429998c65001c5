<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\Point;
use Compadre\Core\Refusal;

/**
 * A usual mistake as it is shown: its drawing on the outline of the right knot, or that of the knot it becomes, and the
 * crossings to ring.
 */
final readonly class WrongForm
{
    /** How many are worth showing to a room. */
    private const MOST = 5;

    /** @param  list<Point>  $ringed */
    private function __construct(public Found $found, public Diagram $diagram, public array $ringed)
    {
    }

    /** @return list<self> one for each outcome that is wrong, the likeliest first */
    public static function of(Library $library, KnotIndex $index, KnotPack $knot, Method $method): array
    {
        $right = DiagramBuilder::loose($method, $knot->file);
        $forms = [];
        foreach ((new MistakeFinder($library, $index))->of($knot, $method) as $found) {
            $outcome = $found->becomes->key();
            $form = $found->becomes->isGood() || $found->becomes->kind === OutcomeKind::Unnamed || isset($forms[$outcome]) ? null : self::drawn($library, $found, $right);
            if ($form !== null) {
                $forms[$outcome] = $form;
            }
        }

        return array_slice(array_values($forms), 0, self::MOST);
    }

    /** Whether an error can be drawn so: with some, overs and unders go round in a circle, and no rope lies undermost. */
    public static function isDrawable(Found $found, Diagram $right): bool
    {
        try {
            PaintOrder::of(self::onOutline($found, $right)->diagram);
        } catch (Refusal) {
            return false;
        }

        return true;
    }

    /** An error as it shows on the outline of the right knot, every crossing ringed that differs. */
    public static function onOutline(Found $found, Diagram $right): self
    {
        $flips = $found->slip->flips ?? [];

        return new self($found, $right->flipped($flips), array_map(static fn (int $crossing): Point => $right->crossings[$crossing]->at, $flips));
    }

    private static function drawn(Library $library, Found $found, Diagram $right): ?self
    {
        $flips = $found->slip->flips ?? [];
        if ($flips !== [] && $found->slip->exchanged === []) {
            return new self($found, $right->flipped($flips), self::first($flips, $right));
        }
        if ($found->becomes->knot === null) {
            return null;
        }
        $other = $library->knot($found->becomes->knot);

        return new self($found, DiagramBuilder::loose($other->methods[0], $other->file), []);
    }

    /**
     * Where it parts from the right knot: the crossing that differs and is met first.
     *
     * @param  non-empty-list<int>  $flips
     * @return list<Point>
     */
    private static function first(array $flips, Diagram $right): array
    {
        usort($flips, static fn (int $a, int $b): int => max($right->crossings[$a]->overAt, $right->crossings[$a]->underAt) <=> max($right->crossings[$b]->overAt, $right->crossings[$b]->underAt));

        return [$right->crossings[$flips[0]]->at];
    }
}
