<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * From where a knot is seen: as the learner ties it; from across the table (half a turn in the plane); from behind
 * (left and right, over and under change places); left-handed (the mirror image). Only the last changes the knot's hand.
 */
enum View: string
{
    case Learner = 'learner';
    case Across = 'across';
    case Behind = 'behind';
    case Left = 'left';

    /**
     * As whoever ties with this hand sees it.
     *
     * @return self::Left|self::Learner
     */
    public static function forHand(?string $hand): self
    {
        return $hand === 'left' ? self::Left : self::Learner;
    }

    public function of(Diagram $diagram): Diagram
    {
        if ($this === self::Learner) {
            return $diagram;
        }
        $strands = array_map(fn (Strand $strand): Strand => new Strand(
            $strand->id, $strand->kind, $this->curve($strand->curve), $strand->width,
            $this === self::Behind ? strtr($strand->word, 'ou', 'uo') : $strand->word, $strand->bight, $strand->runsOn, $strand->appears,
        ), $diagram->strands);
        $crossings = array_map($this->crossing(...), $diagram->crossings);

        return new Diagram($strands, $crossings);
    }

    public function point(Point $point): Point
    {
        return match ($this) {
            self::Learner => $point,
            self::Across => new Point(-$point->x, -$point->y),
            self::Behind, self::Left => new Point(-$point->x, $point->y),
        };
    }

    private function curve(Curve $curve): Curve
    {
        return new Curve(array_map(fn (Cubic $cubic): Cubic => new Cubic(
            $this->point($cubic->a), $this->point($cubic->b), $this->point($cubic->c), $this->point($cubic->d),
        ), $curve->cubics), $curve->closed);
    }

    private function crossing(Crossing $crossing): Crossing
    {
        $turn = $this === self::Left ? -$crossing->turn : $crossing->turn;
        $sign = $crossing->sign === null ? null : $turn;

        return $this === self::Behind
            ? new Crossing($crossing->under, $crossing->underAt, $crossing->over, $crossing->overAt, $this->point($crossing->at), $crossing->angle, $turn, $sign)
            : new Crossing($crossing->over, $crossing->overAt, $crossing->under, $crossing->underAt, $this->point($crossing->at), $crossing->angle, $turn, $sign);
    }
}
