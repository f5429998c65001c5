<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;

/**
 * Makes every error of a method, says what each becomes, and ranks them. The hand-written words of a pack are joined to
 * outcomes; no outcome is read from them.
 */
final readonly class MistakeFinder
{
    /** A result that another, likelier error gives already counts this much. */
    private const REPEATED = 0.55;

    public function __construct(private Library $library, private KnotIndex $index)
    {
    }

    /** @return list<Found> the likeliest first */
    public function of(KnotPack $knot, Method $method): array
    {
        if ($method->steps === [] || ! $knot->hasFingerprint()) {
            return [];
        }
        $order = TyingOrder::of($method, DiagramBuilder::loose($method, $knot->file), $knot->file);
        $code = KnotIndex::code($knot, $method);
        $judge = new Judge($this->library, $this->index, $knot, $code);
        $wording = new Wording($knot, $method, $this->library);
        $found = [];
        foreach (Slips::of($code, $order) as $slip) {
            $becomes = $judge->outcome($slip->code);
            $found[] = new Found($slip, $becomes, $this->likely($slip, $becomes, $order), ...$wording->of($slip, $becomes));
        }

        return self::ranked($found);
    }

    /** Late moves go wrong more often than early ones; an error that shows as a knot of its own is one that people make. */
    private function likely(Slip $slip, Outcome $becomes, TyingOrder $order): float
    {
        $late = $order->steps === 0 ? 1.0 : $slip->step / $order->steps;
        $shows = match ($becomes->kind) {
            OutcomeKind::Knot => 1.0,
            OutcomeKind::FallsOut => $becomes->knot === null ? 0.8 : 1.0,
            OutcomeKind::EquallyGood => 0.7,
            OutcomeKind::Unnamed => 0.5,
            OutcomeKind::Same => 0.3,
        };

        return $slip->kind->error()->usual() * (0.6 + 0.4 * $late) * $shows;
    }

    /**
     * @param  list<Found>  $found
     * @return list<Found>
     */
    private static function ranked(array $found): array
    {
        usort($found, self::byLikely(...));
        $seen = [];
        $ranked = [];
        foreach ($found as $one) {
            $result = $one->becomes->key();
            $likely = isset($seen[$result]) ? $one->likely * self::REPEATED : $one->likely;
            $seen[$result] = true;
            $ranked[] = new Found($one->slip, $one->becomes, round($likely, 3), $one->sign, $one->cause, $one->fix, $one->worded);
        }
        usort($ranked, self::byLikely(...));

        return $ranked;
    }

    private static function byLikely(Found $a, Found $b): int
    {
        return [$b->likely, $a->slip->id] <=> [$a->likely, $b->slip->id];
    }
}
