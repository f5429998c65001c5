<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\Piece;
use Compadre\Core\Knots\View;

/**
 * A diagram made ready to be painted: strands, pieces from the bottom up, crossings. All lengths in rope widths.
 */
final readonly class Drawing
{
    /**
     * @param  list<Piece>  $pieces  bottom first
     * @param  float  $air  the gap left on each side where a rope passes over another
     */
    private function __construct(public Diagram $diagram, public array $pieces, public float $air)
    {
    }

    public static function loose(Diagram $diagram): self
    {
        return new self($diagram, PaintOrder::of($diagram), 0.31);
    }

    /** @param  array{Diagram, bool}  $finished  a diagram, and whether it is drawn up tight */
    public static function finished(array $finished, View $view): self
    {
        [$diagram, $isTight] = $finished;

        return $isTight ? self::tight($view->of($diagram)) : self::loose($view->of($diagram));
    }

    /** Strands of a tight knot touch: less air, or the gaps would eat their neighbours. */
    public static function tight(Diagram $diagram): self
    {
        return new self($diagram, PaintOrder::of($diagram), 0.07);
    }

    /**
     * @return array{
     *     box: array{float, float, float, float},
     *     air: float,
     *     strands: list<array{id: string, kind: string, width: float, length: float, d: string, runs_on: string}>,
     *     pieces: list<array{strand: string, from: float, to: float, d: string, gap: ?array{float, float}}>,
     *     crossings: list<array{over: string, under: string, at: array{float, float}}>
     * }
     */
    public function toArray(): array
    {
        $strands = [];
        foreach ($this->diagram->strands as $strand) {
            $strands[] = [
                'id' => $strand->id, 'kind' => $strand->kind->value, 'width' => $strand->width,
                'length' => round($strand->curve->length(), 3), 'd' => SvgPath::of($strand->curve->cubics), 'runs_on' => $strand->runsOn->value,
            ];
        }
        $pieces = [];
        foreach ($this->pieces as $piece) {
            $strand = $this->diagram->strands[$piece->strand];
            $pieces[] = [
                'strand' => $strand->id, 'from' => round($piece->from, 3), 'to' => round($piece->to, 3),
                'd' => SvgPath::of($strand->curve->between($piece->from, $piece->to)),
                'gap' => $piece->gap === null ? null : [round($piece->gap[0], 3), round($piece->gap[1], 3)],
            ];
        }
        $crossings = [];
        foreach ($this->diagram->crossings as $crossing) {
            $crossings[] = [
                'over' => $this->diagram->strands[$crossing->over]->id,
                'under' => $this->diagram->strands[$crossing->under]->id,
                'at' => [round($crossing->at->x, 3), round($crossing->at->y, 3)],
            ];
        }

        return ['box' => $this->box(), 'air' => $this->air, 'strands' => $strands, 'pieces' => $pieces, 'crossings' => $crossings];
    }

    /** @return array{float, float, float, float} the box of the drawing with a rope width of air around it */
    private function box(): array
    {
        [$x, $y, $width, $height] = $this->diagram->box();

        return [round($x - 1, 2), round($y - 1, 2), round($width + 2, 2), round($height + 2, 2)];
    }
}
