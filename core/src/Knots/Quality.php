<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * How clearly a drawing reads, measured: the least angle at which ropes cross, the least distance between parts that do not
 * cross, and between parts declared to lie side by side, the least length of rope between two crossings, and the tightest bend. Lengths in rope widths.
 */
final readonly class Quality
{
    /** Parts of one rope nearer than this along it are a bend, not neighbours. */
    private const BEND = 2.6;

    /** Within this of a crossing, along both strands, the two strands are meeting and not neighbours. */
    private const MEETING = 2.3;

    private const STEP = 0.2;

    /** Strands farther apart than this are never in each other's way. */
    private const FAR = 4.0;

    /**
     * @param  float  $angle in degrees, at most 90
     * @param  float  $apart between centre lines
     * @param  float  $spacing between crossings along a rope
     * @param  float  $paired between centre lines declared to lie side by side; infinite where none are
     * @param  float  $bend the least radius to which a centre line bends
     * @param  array{float, float}  $closest where the parts that are least apart lie
     */
    private function __construct(public float $angle, public float $apart, public float $spacing, public float $paired, public float $bend, public array $closest)
    {
    }

    /** @param  list<array{Part, Part}>  $pairs stretches that are meant to lie side by side */
    public static function of(Diagram $diagram, array $pairs = []): self
    {
        $angle = 90.0;
        foreach ($diagram->crossings as $crossing) {
            // Nobody sees the middle line of a pole: only ropes have to cross plainly.
            if ($diagram->strands[$crossing->over]->kind->isRope() && $diagram->strands[$crossing->under]->kind->isRope()) {
                $angle = min($angle, rad2deg($crossing->angle));
            }
        }
        $spans = self::spans($diagram, $pairs);
        [$apart, $paired, $closest] = self::apart($diagram, $spans);

        return new self($angle, $apart, self::spacing($diagram, $spans), $paired, self::bend($diagram), $closest);
    }

    /**
     * Two strands that lie side by side are crossed as one.
     *
     * @param  list<array{int, float, float, int, float, float}>  $spans
     */
    private static function spacing(Diagram $diagram, array $spans): float
    {
        $least = INF;
        foreach ($diagram->strands as $number => $strand) {
            $visits = array_values(array_filter($diagram->visits($number), static fn (Visit $visit): bool => $strand->kind->isRope() && $diagram->strands[$visit->other]->kind->isRope()));
            for ($n = 1; $n < count($visits); $n++) {
                [$here, $before] = [$visits[$n], $visits[$n - 1]];
                if (! self::isPair($spans, $here->other, self::partnerAt($diagram, $here), $before->other, self::partnerAt($diagram, $before))) {
                    $least = min($least, $here->at - $before->at);
                }
            }
        }

        return $least;
    }

    /** Where the other strand of a visit is crossed. */
    private static function partnerAt(Diagram $diagram, Visit $visit): float
    {
        $crossing = $diagram->crossings[$visit->crossing];

        return $visit->over ? $crossing->underAt : $crossing->overAt;
    }

    /** The place that is least apart, for people. */
    public function near(): string
    {
        return sprintf('(%.1f, %.1f)', $this->closest[0], $this->closest[1]);
    }

    /** By the circle through three points half a width apart. */
    private static function bend(Diagram $diagram): float
    {
        $least = INF;
        foreach ($diagram->strands as $strand) {
            if (! $strand->kind->isRope()) {
                continue;
            }
            for ($s = 0.5; $s <= $strand->curve->length() - 0.5; $s += 0.25) {
                [$a, $b, $c] = [$strand->curve->pointAt($s - 0.5), $strand->curve->pointAt($s), $strand->curve->pointAt($s + 0.5)];
                $area = abs($b->minus($a)->cross($c->minus($a)));
                $least = min($least, $area < 1e-9 ? INF : $a->distance($b) * $b->distance($c) * $c->distance($a) / (2 * $area));
            }
        }

        return $least;
    }

    /**
     * @param  list<array{Part, Part}>  $pairs
     * @return list<array{int, float, float, int, float, float}> both stretches: strand, from and to
     */
    private static function spans(Diagram $diagram, array $pairs): array
    {
        $number = array_flip(array_map(static fn (Strand $strand): string => $strand->id, $diagram->strands));
        $spans = [];
        foreach ($pairs as [$a, $b]) {
            [$first, $second] = [$a->span($diagram), $b->span($diagram)];
            if ($first !== null && $second !== null) {
                $spans[] = [$number[$first['strand']], $first['from'], $first['to'], $number[$second['strand']], $second['from'], $second['to']];
            }
        }

        return $spans;
    }

    /** @param  list<array{int, float, float, int, float, float}>  $spans */
    private static function isPair(array $spans, int $a, float $s, int $b, float $t): bool
    {
        foreach ($spans as [$first, $from, $to, $second, $start, $end]) {
            if (($a === $first && $s >= $from && $s <= $to && $b === $second && $t >= $start && $t <= $end)
                || ($b === $first && $t >= $from && $t <= $to && $a === $second && $s >= $start && $s <= $end)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<array{int, float, float, int, float, float}>  $spans
     * @return array{float, float, array{float, float}}
     */
    private static function apart(Diagram $diagram, array $spans): array
    {
        $samples = [];
        foreach ($diagram->strands as $number => $strand) {
            if ($strand->kind->isRope()) {
                for ($s = 0.0; $s <= $strand->curve->length(); $s += self::STEP) {
                    $samples[] = [$number, $s, $strand->curve->pointAt($s)];
                }
            }
        }
        $least = INF;
        $paired = INF;
        $where = [0.0, 0.0];
        foreach ($samples as $i => [$a, $s, $here]) {
            for ($j = $i + 1; $j < count($samples); $j++) {
                [$b, $t, $there] = $samples[$j];
                if (abs($here->x - $there->x) >= self::FAR || abs($here->y - $there->y) >= self::FAR || ($a === $b && $t - $s < self::BEND)) {
                    continue;
                }
                $distance = $here->distance($there);
                $isPair = $spans !== [] && self::isPair($spans, $a, $s, $b, $t);
                if ($distance >= min(self::FAR, $isPair ? $paired : $least) || self::meet($diagram, $a, $s, $b, $t)) {
                    continue;
                }
                if ($isPair) {
                    $paired = min($paired, $distance);
                } else {
                    $least = $distance;
                    $where = [round($here->x, 1), round($here->y, 1)];
                }
            }
        }

        return [$least, $paired, $where];
    }

    private static function meet(Diagram $diagram, int $a, float $s, int $b, float $t): bool
    {
        foreach ($diagram->crossings as $crossing) {
            foreach ([[$crossing->over, $crossing->overAt, $crossing->under, $crossing->underAt], [$crossing->under, $crossing->underAt, $crossing->over, $crossing->overAt]] as [$one, $oneAt, $other, $otherAt]) {
                if ($one === $a && $other === $b && abs($oneAt - $s) < self::MEETING && abs($otherAt - $t) < self::MEETING) {
                    return true;
                }
            }
        }

        return false;
    }
}
