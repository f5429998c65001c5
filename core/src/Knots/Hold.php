<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\Regions;
use Compadre\Core\Words\Saying;

/**
 * Why a bend or a binding knot holds, by counting: ropes are followed from tail to load, and the signs of their crossings and
 * the directions round the regions are counted. After V. P. Patil, J. D. Sandt, M. Kolle and J. Dunkel, "Topological mechanics
 * of knots and tangles", Science 367, 2020. A teaching model: real ropes are tested, not computed.
 */
final readonly class Hold
{
    /** Below this the halves are said to twist the same way. */
    private const TWIST = 0.5;

    /** Below this the strands are said to slide together. */
    private const CIRCULATION = 0.5;

    /**
     * @param  int  $crossings between ropes
     * @param  float  $tau twist fluctuation, 0 to 1: the square root of 1 - (sum of signs / crossings) squared
     * @param  bool  $isPlain whether two bights hook into each other and no rope crosses itself: what the plain sentences were
     *                       made for. Of other bends they could say the opposite of what every user knows
     * @param  float  $gamma circulation, 0 to 1: the mean over the inner regions of how far their edges run one way round
     */
    private function __construct(public int $crossings, public float $tau, public float $gamma, private bool $tailsTogether, public bool $isPlain)
    {
    }

    /** For bends and binding knots; null for all others. */
    public static function ofKnot(KnotPack $knot, Diagram $diagram): ?self
    {
        return in_array($knot->family, [Family::Bend, Family::Binding], true) ? self::of($diagram) : null;
    }

    /** For knots of two ropes; null for all others. */
    public static function of(Diagram $diagram): ?self
    {
        $ropes = array_values(array_filter($diagram->strands, static fn (Strand $strand): bool => $strand->kind->isRope()));
        $code = $diagram->code();
        if (count($ropes) !== 2 || count($ropes) !== count($code->strands) || $code->turns === []) {
            return null;
        }
        // Both ropes are followed against their travel, which changes no sign.
        $count = count($code->turns);
        $tau = sqrt(1 - (array_sum($code->turns) / $count) ** 2);

        $regions = Regions::of($code->tangle())->regions;

        return new self($count, $tau, self::circulation($regions), self::tailsTogether($regions), self::isPlain($code));
    }

    /** @return array{crossings: int, tau: float, gamma: float} */
    public function toArray(): array
    {
        return ['crossings' => $this->crossings, 'tau' => round($this->tau, 6), 'gamma' => round($this->gamma, 6)];
    }

    /** @return list<Saying> three plain sentences; only for plain ones */
    public function sentences(): array
    {
        return [
            new Saying($this->tau >= self::TWIST ? 'knots.hold_together_pull' : 'knots.hold_rolls'),
            new Saying($this->gamma >= self::CIRCULATION ? 'knots.hold_rubs' : 'knots.hold_slips'),
            new Saying($this->tailsTogether ? 'knots.hold_right' : 'knots.hold_wrong'),
        ];
    }

    private static function isPlain(GaussCode $code): bool
    {
        foreach ($code->strands as $strand) {
            $met = array_column($strand->visits, 0);
            if (array_unique($met) !== $met) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<array{list<string>, list<int>}>  $regions */
    private static function circulation(array $regions): float
    {
        $sums = [];
        foreach ($regions as [$ends, $edges]) {
            if ($ends === [] && $edges !== []) {
                $sums[] = abs(array_sum($edges)) / count($edges);
            }
        }

        return $sums === [] ? 0.0 : array_sum($sums) / count($sums);
    }

    /**
     * Whether the tails are neighbours among the four ends round the knot.
     *
     * @param  list<array{list<string>, list<int>}>  $regions
     */
    private static function tailsTogether(array $regions): bool
    {
        foreach ($regions as [$ends]) {
            foreach ($ends as $place => $end) {
                $next = $ends[($place + 1) % count($ends)];
                if (str_ends_with($end, 'w') && str_ends_with($next, 'w') && $end !== $next) {
                    return true;
                }
            }
        }

        return false;
    }
}
