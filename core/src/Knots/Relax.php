<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;
use Compadre\Core\Topology\GaussCode;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Eases a drawing that is too cramped: waypoints are moved a little at a time, by chance and from a fixed seed, and a move
 * stays when the drawing reads better and every crossing is still there, in the same order, with the same strand on top.
 * For those who write packs; what the app shows is what the pack says.
 */
final readonly class Relax
{
    public function __construct(private float $angle, private float $apart, private float $spacing, private float $bend)
    {
    }

    public static function loose(): self
    {
        return new self(50, 1.75, 2.4, 1.25);
    }

    public static function tight(): self
    {
        return new self(30, 1.06, 0.9, 0.62);
    }

    /**
     * @param  bool  $tight eases the tight drawing instead of the loose one
     * @return array<string, list<array{float, float}>> waypoints by rope, in rope widths
     */
    public function points(Method $method, bool $tight, int $moves, int $seed = 7): array
    {
        $chance = new Randomizer(new Mt19937($seed));
        $before = $this->build($method, $tight)->code();
        $best = $method;
        $cost = $this->cost($method, $method, $tight);
        $pick = [];
        foreach ($method->strands as $number => $strand) {
            if ($strand->kind->isRope()) {
                foreach (array_keys($strand->layout($tight)) as $waypoint) {
                    $pick[] = [$number, $waypoint];
                }
            }
        }
        for ($move = 0; $move < $moves && $cost > 0; $move++) {
            [$strand, $waypoint] = $pick[$chance->getInt(0, count($pick) - 1)];
            $reach = ($tight ? 0.25 : 0.6) * (1 - 0.7 * $move / $moves);
            $tried = $best->moved($strand, $waypoint, new Point(self::by($chance, $reach), self::by($chance, $reach)), $tight);
            $now = $this->cost($tried, $method, $tight, $before);
            if ($now < $cost) {
                [$best, $cost] = [$tried, $now];
            }
        }
        $points = [];
        foreach ($best->strands as $strand) {
            if ($strand->kind->isRope()) {
                $points[$strand->id] = array_map(static fn (Point $point): array => [round($point->x, 2), round($point->y, 2)], $strand->layout($tight));
            }
        }

        return $points;
    }

    private static function by(Randomizer $chance, float $reach): float
    {
        return $reach * $chance->getInt(-1000, 1000) / 1000;
    }

    private function build(Method $method, bool $tight): Diagram
    {
        return $tight ? DiagramBuilder::tight($method) : DiagramBuilder::loose($method);
    }

    private function cost(Method $method, Method $first, bool $tight, ?GaussCode $before = null): float
    {
        try {
            $diagram = $this->build($method, $tight);
        } catch (Refusal) {
            return INF;
        }
        if ($before !== null && $diagram->code() != $before) {
            return INF;
        }
        $quality = Quality::of($diagram);
        $short = self::short($quality->angle, $this->angle) + self::short($quality->apart, $this->apart)
            + self::short($quality->spacing, $this->spacing) + self::short($quality->bend, $this->bend);

        return 100 * $short + $this->unrest($method, $first, $tight);
    }

    private static function short(float $value, float $wanted): float
    {
        return max(0.0, ($wanted - $value) / $wanted) ** 2;
    }

    /** Wandering from the first layout and kinks between waypoints both cost a little. */
    private function unrest(Method $method, Method $first, bool $tight): float
    {
        $sum = 0.0;
        foreach ($method->strands as $number => $strand) {
            $points = $strand->layout($tight);
            foreach ($strand->kind->isRope() ? $first->strands[$number]->layout($tight) : [] as $n => $point) {
                $sum += 0.02 * $point->distance($points[$n]) ** 2;
                if ($n > 0 && $n < count($points) - 1) {
                    $chord = $points[$n - 1]->distance($points[$n + 1]);
                    $sum += 0.01 * $points[$n - 1]->towards($points[$n + 1], 0.5)->distance($points[$n]) ** 2 / max(0.5, $chord);
                }
            }
        }

        return $sum;
    }
}
