<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * Cuts strands into pieces, one crossing each, and orders them from the bottom up, so that painting them in turn
 * puts every over on top. Poles are painted whole; a piece of rope that lies across one without crossing its middle
 * keeps the side of the rope's nearest crossing with it.
 */
final class PaintOrder
{
    /** @var list<Piece> */
    private array $pieces = [];

    /** @var array<int, array<int, true>> piece below => pieces above */
    private array $above = [];

    /** @var array<string, int> piece by strand and crossing, over and under apart */
    private array $pieceAt = [];

    private function __construct(private readonly Diagram $diagram)
    {
    }

    /** @return list<Piece> bottom first */
    public static function of(Diagram $diagram): array
    {
        $order = new self($diagram);
        $order->cut();
        $order->relate();

        return $order->sorted();
    }

    private function cut(): void
    {
        foreach ($this->diagram->strands as $number => $strand) {
            $visits = $this->diagram->visits($number);
            if (! $strand->kind->isRope() && ! $strand->kind->isClosed() || $visits === []) {
                foreach ($visits as $visit) {
                    $this->pieceAt[self::key($visit)] = count($this->pieces);
                }
                $this->pieces[] = new Piece($number, 0.0, $strand->curve->length(), null);

                continue;
            }
            $from = 0.0;
            foreach ($visits as $order => $visit) {
                $next = $visits[$order + 1] ?? null;
                $to = $next === null ? $strand->curve->length() : $this->boundary($strand, $visit, $next);
                $this->pieceAt[self::key($visit)] = count($this->pieces);
                $this->pieces[] = new Piece($number, max(0.0, $from - Piece::LAP), min($strand->curve->length(), $to + Piece::LAP), $this->gap($visit, $from, $to));
                $from = $to;
            }
            $this->cutEnd($strand, $number, $visits[count($visits) - 1]);
        }
    }

    /** An end that has come onto an object and not across its middle may lie on the other side of it than the piece it ends. */
    private function cutEnd(Strand $strand, int $number, Visit $last): void
    {
        $whole = $this->pieces[count($this->pieces) - 1];
        $length = $strand->curve->length();
        if (! $this->isOnAnother($strand->curve->pointAt($length), $last->other)) {
            return;
        }
        $s = $length;
        while ($s > $last->at && $this->isOnAnother($strand->curve->pointAt($s), $last->other)) {
            $s -= 0.1;
        }
        if ($s - Piece::LAP > max($last->at, $whole->gap[1] ?? 0.0)) {
            array_pop($this->pieces);
            $this->pieces[] = new Piece($number, $whole->from, min($length, $s + Piece::LAP), $whole->gap);
            $this->pieces[] = new Piece($number, max(0.0, $s - Piece::LAP), $length, null);
        }
    }

    private function isOnAnother(Point $point, int $than): bool
    {
        foreach ($this->diagram->strands as $number => $strand) {
            if ($number !== $than && ! $strand->kind->isRope() && ! $strand->kind->isClosed() && self::within($point, $strand)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Where one piece ends and the next begins: halfway between two crossings, but at the edge of a pole between a crossing
     * with the pole and one beside it, so that neither piece belongs half to the front and half to the back.
     */
    private function boundary(Strand $strand, Visit $visit, Visit $next): float
    {
        $middle = ($visit->at + $next->at) / 2;
        $isObject = fn (Visit $one): bool => ! $this->diagram->strands[$one->other]->kind->isRope() && ! $this->diagram->strands[$one->other]->kind->isClosed();
        if ($isObject($visit) === $isObject($next)) {
            return $middle;
        }
        [$from, $to] = $isObject($visit) ? [$visit->at, $next->at] : [$next->at, $visit->at];
        $object = $this->diagram->strands[$isObject($visit) ? $visit->other : $next->other];
        $way = $to > $from ? 0.1 : -0.1;
        for ($s = $from; abs($to - $s) > 0.5; $s += $way) {
            if (! self::within($strand->curve->pointAt($s), $object)) {
                return $s;
            }
        }

        return $middle;
    }

    private static function within(Point $point, Strand $object): bool
    {
        foreach ($object->curve->points as $middle) {
            if ($point->distance($middle) < $object->width / 2 + 0.2) {
                return true;
            }
        }

        return false;
    }

    /** @return ?array{float, float} */
    private function gap(Visit $visit, float $from, float $to): ?array
    {
        $crossing = $this->diagram->crossings[$visit->crossing];
        $below = $this->diagram->strands[$visit->other];
        if (! $visit->over || ! $below->kind->isRope()) {
            return null;
        }
        $half = ($below->width / 2 + 0.7) / max(0.35, sin($crossing->angle));

        return [max($from, $visit->at - $half), min($to, $visit->at + $half)];
    }

    private function relate(): void
    {
        foreach ($this->diagram->crossings as $number => $crossing) {
            $below = $this->pieceAt["$number-u"];
            $over = $this->pieceAt["$number-o"];
            $this->above[$below][$over] = true;
        }
        foreach ($this->pieces as $number => $piece) {
            $object = $this->diagram->strands[$piece->strand];
            if ($object->kind->isRope() || $object->kind->isClosed()) {
                continue;
            }
            $this->relateToObject($number, $piece->strand, $object);
        }
    }

    private function relateToObject(int $objectPiece, int $objectNumber, Strand $object): void
    {
        foreach ($this->pieces as $number => $piece) {
            if ($piece->strand === $objectNumber || ! $this->diagram->strands[$piece->strand]->kind->isRope() || ! $this->liesAcross($piece, $object)) {
                continue;
            }
            $side = $this->nearestSide($piece, $objectNumber);
            if ($side === true) {
                $this->above[$objectPiece][$number] = true;
            } elseif ($side === false) {
                $this->above[$number][$objectPiece] = true;
            }
        }
    }

    private function liesAcross(Piece $piece, Strand $object): bool
    {
        $curve = $this->diagram->strands[$piece->strand]->curve;
        // Where pieces overlap, one lies on the other of the same rope: that part is the neighbour's.
        $from = $piece->from > 0 ? $piece->from + Piece::LAP + 0.01 : 0.0;
        $to = $piece->to < $curve->length() - 1e-6 ? $piece->to - Piece::LAP - 0.01 : $piece->to;
        for ($s = $from; $s <= $to; $s += 0.25) {
            if (self::within($curve->pointAt($s), $object)) {
                return true;
            }
        }

        return false;
    }

    /** Whether the rope's crossing with the object that is nearest along the rope is over it; null: it has none. */
    private function nearestSide(Piece $piece, int $object): ?bool
    {
        $best = INF;
        $side = null;
        $middle = ($piece->from + $piece->to) / 2;
        foreach ($this->diagram->visits($piece->strand) as $visit) {
            if ($visit->other === $object && abs($visit->at - $middle) < $best) {
                $best = abs($visit->at - $middle);
                $side = $visit->over;
            }
        }

        return $side;
    }

    /** @return list<Piece> */
    private function sorted(): array
    {
        $waiting = array_fill(0, count($this->pieces), 0);
        foreach ($this->above as $uppers) {
            foreach (array_keys($uppers) as $upper) {
                $waiting[$upper]++;
            }
        }
        $sorted = [];
        $left = array_keys($this->pieces);
        while ($left !== []) {
            $next = null;
            foreach ($left as $place => $piece) {
                if ($waiting[$piece] === 0) {
                    $next = $place;
                    break;
                }
            }
            if ($next === null) {
                throw Refusal::of('/strands', null, 'knots.no_first_rope');
            }
            $piece = $left[$next];
            unset($left[$next]);
            $sorted[] = $this->pieces[$piece];
            foreach (array_keys($this->above[$piece] ?? []) as $upper) {
                $waiting[$upper]--;
            }
        }

        return $sorted;
    }

    private static function key(Visit $visit): string
    {
        return $visit->crossing.($visit->over ? '-o' : '-u');
    }
}
