<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * How clearly a drawing reads, measured: the least angle at which ropes cross, the least distance between parts that do not
 * cross, the least length of rope between two crossings, and the tightest bend. Lengths in rope widths.
 */
final readonly class Quality
{
    /** Parts of one rope nearer than this along it are a bend, not neighbours. */
    private const BEND = 2.6;

    /** Within this of a crossing, along both strands, the two strands are meeting and not neighbours. */
    private const MEETING = 2.3;

    private const STEP = 0.2;

    /**
     * @param  float  $angle in degrees, at most 90
     * @param  float  $apart between centre lines
     * @param  float  $spacing between crossings along a rope
     * @param  float  $bend the least radius to which a centre line bends
     * @param  array{float, float}  $closest where the parts that are least apart lie
     */
    private function __construct(public float $angle, public float $apart, public float $spacing, public float $bend, public array $closest)
    {
    }

    public static function of(Diagram $diagram): self
    {
        $angle = 90.0;
        foreach ($diagram->crossings as $crossing) {
            $angle = min($angle, rad2deg($crossing->angle));
        }
        $spacing = INF;
        foreach ($diagram->strands as $number => $strand) {
            $visits = array_values(array_filter($diagram->visits($number), static fn (Visit $visit): bool => $strand->kind->isRope() && $diagram->strands[$visit->other]->kind->isRope()));
            for ($n = 1; $n < count($visits); $n++) {
                $spacing = min($spacing, $visits[$n]->at - $visits[$n - 1]->at);
            }
        }
        [$apart, $closest] = self::apart($diagram);

        return new self($angle, $apart, $spacing, self::bend($diagram), $closest);
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

    /** @return array{float, array{float, float}} */
    private static function apart(Diagram $diagram): array
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
        $where = [0.0, 0.0];
        foreach ($samples as $i => [$a, $s, $here]) {
            for ($j = $i + 1; $j < count($samples); $j++) {
                [$b, $t, $there] = $samples[$j];
                if (abs($here->x - $there->x) >= $least || abs($here->y - $there->y) >= $least || ($a === $b && $t - $s < self::BEND)) {
                    continue;
                }
                $distance = $here->distance($there);
                if ($distance < $least && ! self::meet($diagram, $a, $s, $b, $t)) {
                    $least = $distance;
                    $where = [round($here->x, 1), round($here->y, 1)];
                }
            }
        }

        return [$least, $where];
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
