<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Sketch;

use Compadre\Core\Rigs\Formula\Formula;
use Compadre\Core\Rigs\Formula\RopeAtWork;

/**
 * A rig to scale: what it is made of as lines, circles and dots, with measures and the handles that change it. Places in mm from the upper
 * left corner of what is drawn, y down.
 */
final readonly class Sketch
{
    /** Points along a line that hangs. */
    private const HANGING = 24;

    /**
     * @param  list<array{as: string, shape: string, points: list<array{float, float}>, radius?: float, value_mm?: float, label?: string, place?: string}>  $marks  the hindmost first
     * @param  list<array{answer: string, at: array{float, float}, axis: string, by: float}>  $handles
     */
    private function __construct(public string $view, public float $width, public float $height, public array $marks, public array $handles)
    {
    }

    /**
     * @param  array<string, float|bool|string>  $values  by name
     * @param  array<string, list<array<string, float|bool|string>>>  $lists  of answers with several entries
     */
    public static function of(SketchPlan $plan, array $values, array $lists, RopeAtWork $rope): self
    {
        $marks = [];
        foreach ($plan->marks as $mark) {
            $times = $mark->repeat === null ? [[]] : array_fill(0, (int) $mark->repeat->number($values, $rope), []);
            foreach ($mark->each === null ? $times : $lists[$mark->each] as $i => $own) {
                $known = $own + ['i' => (float) $i] + $values;
                if ($mark->when === null || $mark->when->holds($known, $rope)) {
                    $marks[] = self::mark($mark, $known, $rope);
                }
            }
        }
        $handles = array_map(static fn (HandlePlan $handle): array => [
            'answer' => $handle->answer, 'at' => self::pairs($handle->at, $values, $rope)[0], 'axis' => $handle->axis, 'by' => $handle->by,
        ], $plan->handles);

        return self::within($plan->view, $marks, $handles);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['view' => $this->view, 'width' => $this->width, 'height' => $this->height, 'marks' => $this->marks, 'handles' => $this->handles];
    }

    /**
     * @param  array<string, float|bool|string>  $values
     * @return array{as: string, shape: string, points: list<array{float, float}>, radius?: float, value_mm?: float, label?: string, place?: string}
     */
    private static function mark(MarkPlan $mark, array $values, RopeAtWork $rope): array
    {
        $odd = $mark->shape === 'sag' || $mark->shape === 'circle' ? $mark->at[count($mark->at) - 1]->number($values, $rope) : 0.0;
        $points = self::pairs($mark->at, $values, $rope);

        return [
            'as' => $mark->as, 'shape' => $mark->shape === 'sag' ? 'line' : $mark->shape,
            'points' => $mark->shape === 'sag' ? self::hanging($points[0], $points[1], $odd) : $points,
        ] + ($mark->shape === 'circle' ? ['radius' => $odd] : [])
            + ($mark->value === null ? [] : ['value_mm' => $mark->value->number($values, $rope)])
            + ($mark->label === null ? [] : ['label' => $mark->label]) + ($mark->place === null ? [] : ['place' => $mark->place]);
    }

    /**
     * @param  list<Formula>  $at
     * @param  array<string, float|bool|string>  $values
     * @return list<array{float, float}>
     */
    private static function pairs(array $at, array $values, RopeAtWork $rope): array
    {
        $points = [];
        for ($n = 0; $n + 1 < count($at); $n += 2) {
            $points[] = [$at[$n]->number($values, $rope), $at[$n + 1]->number($values, $rope)];
        }

        return $points;
    }

    /**
     * A parabola: what an evenly loaded line hangs in.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<array{float, float}>
     */
    private static function hanging(array $from, array $to, float $sag): array
    {
        return array_map(static function (int $step) use ($from, $to, $sag): array {
            $t = $step / self::HANGING;

            return [$from[0] + $t * ($to[0] - $from[0]), $from[1] + $t * ($to[1] - $from[1]) - 4 * $sag * $t * (1 - $t)];
        }, range(0, self::HANGING));
    }

    /**
     * @param  list<array{as: string, shape: string, points: list<array{float, float}>, radius?: float, value_mm?: float, label?: string, place?: string}>  $marks
     * @param  list<array{answer: string, at: array{float, float}, axis: string, by: float}>  $handles
     */
    private static function within(string $view, array $marks, array $handles): self
    {
        [$left, $right, $low, $high] = [INF, -INF, INF, -INF];
        foreach ($marks as $mark) {
            $round = $mark['radius'] ?? 0.0;
            foreach ($mark['points'] as [$x, $y]) {
                [$left, $right, $low, $high] = [min($left, $x - $round), max($right, $x + $round), min($low, $y - $round), max($high, $y + $round)];
            }
        }
        $marks = array_map(static fn (array $mark): array => ['points' => array_map(static fn (array $point): array => self::from($left, $high, $point), $mark['points'])] + $mark, $marks);
        $handles = array_map(static fn (array $handle): array => ['at' => self::from($left, $high, $handle['at'])] + $handle, $handles);

        return new self($view, round($right - $left, 1), round($high - $low, 1), $marks, $handles);
    }

    /**
     * @param  array{float, float}  $point
     * @return array{float, float} from the upper left corner, y down
     */
    private static function from(float $left, float $high, array $point): array
    {
        return [round($point[0] - $left, 1), round($high - $point[1], 1)];
    }
}
