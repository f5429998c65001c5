<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Knots\Diagram;

/**
 * Two lengths of rope that run side by side in a drawing, in a knot that is tied doubled.
 */
final readonly class Twins
{
    /** Lengths along a rope are looked at so far apart, and so far along the other. */
    private const STEP = 0.4;

    private const FINE = 0.1;

    /** What lies side by side is so far from the other, from middle line to middle line, and runs so much alike. */
    private const NEAR = 0.8;

    private const FAR = 2.4;

    private const ALIKE = 0.85;

    /** From one length to the next, the place beside it goes on no further. */
    private const JUMP = 1.6;

    /** Two places of one rope are beside each other with so much rope between them, at least. */
    private const APART = 5.0;

    /** What runs side by side for less is none: ropes do so where they bend round the same thing. */
    private const LONG = 12.0;

    /** @param  non-empty-list<array{float, float}>  $beside  lengths along the one, increasing, and the length of the other beside each */
    private function __construct(public int $one, public int $other, private array $beside)
    {
    }

    /** @return list<self> */
    public static function in(Diagram $diagram): array
    {
        $twins = [];
        foreach ($diagram->strands as $number => $strand) {
            $run = null;
            for ($s = 0.0; $s <= $strand->curve->length() && $strand->kind->isRope(); $s += self::STEP) {
                [$other, $t, $way] = self::besideAt($diagram, $number, $s) ?? [null, 0.0, 0];
                $goesOn = $run !== null && $other === $run[0] && $way === $run[1] && abs($t - $run[2][count($run[2]) - 1][1]) < self::JUMP;
                if ($goesOn) {
                    $run[2][] = [$s, $t];

                    continue;
                }
                array_push($twins, ...self::long($number, $run));
                $run = $other === null ? null : [$other, $way, [[$s, $t]]];
            }
            array_push($twins, ...self::long($number, $run));
        }

        return $twins;
    }

    /**
     * @param  ?array{int, int, non-empty-list<array{float, float}>}  $run
     * @return list<self> it, where it is long enough
     */
    private static function long(int $number, ?array $run): array
    {
        return $run !== null && $run[2][count($run[2]) - 1][0] - $run[2][0][0] > self::LONG ? [new self($number, $run[0], $run[2])] : [];
    }

    /** @return ?array{int, float, int} the rope beside a place, how far along it, and 1 where it runs the same way or -1 */
    private static function besideAt(Diagram $diagram, int $number, float $s): ?array
    {
        $place = $diagram->strands[$number]->curve->pointAt($s);
        $on = $diagram->strands[$number]->curve->directionAt($s);
        $best = null;
        $least = self::FAR;
        foreach ($diagram->strands as $other => $strand) {
            // Each pair is found from its first.
            if ($other < $number || ! $strand->kind->isRope()) {
                continue;
            }
            for ($t = $other === $number ? $s + self::APART : 0.0; $t <= $strand->curve->length(); $t += self::FINE) {
                $far = $place->distance($strand->curve->pointAt($t));
                if ($far < $least) {
                    $way = $strand->curve->directionAt($t);
                    $alike = $on->x * $way->x + $on->y * $way->y;
                    if (abs($alike) > self::ALIKE) {
                        $least = $far;
                        $best = [$other, $t, $alike > 0 ? 1 : -1];
                    }
                }
            }
        }

        return $best !== null && $least > self::NEAR ? $best : null;
    }

    /**
     * Where both run free for long enough that one can be laid over the other.
     *
     * @param  float  $least  how long
     * @return list<array{float, float}> the middle of each such length of the one, and how long it is
     */
    public function free(Diagram $diagram, float $least): array
    {
        $edges = [$this->beside[0][0]];
        foreach ($diagram->visits($this->one) as $visit) {
            if ($visit->at > $edges[0] && $visit->at < $this->end()) {
                $edges[] = $visit->at;
            }
        }
        $edges[] = $this->end();
        $free = [];
        for ($k = 1; $k < count($edges); $k++) {
            if ($least <= $edges[$k] - $edges[$k - 1]) {
                $free[] = [($edges[$k] + $edges[$k - 1]) / 2, $edges[$k] - $edges[$k - 1]];
            }
        }

        return $free;
    }

    private function end(): float
    {
        return $this->beside[count($this->beside) - 1][0];
    }

    /** The length of the other beside a length of the one. */
    public function along(float $s): float
    {
        [$before, $t] = $this->beside[0];
        foreach ($this->beside as [$at, $there]) {
            if ($at >= $s) {
                return $at > $before ? $t + ($there - $t) * ($s - $before) / ($at - $before) : $there;
            }
            [$before, $t] = [$at, $there];
        }

        return $t;
    }

    /** The length of the one beside a length of the other; null where there is none. */
    public function back(float $t): ?float
    {
        $best = null;
        $least = 1.0;
        foreach ($this->beside as [$s, $there]) {
            if (abs($there - $t) < $least) {
                $least = abs($there - $t);
                $best = $s;
            }
        }

        return $best;
    }
}
