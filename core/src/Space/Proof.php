<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Topology\Fingerprint;

/**
 * Whether ropes in space are still the knot: ends and bars are led out far away and joined there, the closed lines are looked at
 * from several sides, and from each the bracket, freed of twists, and the linking numbers are what they were.
 */
final readonly class Proof
{
    /** Sides to look from: none is an axis of a drawing. */
    private const SIDES = [[0.31, 0.17, 0.93], [0.83, -0.42, 0.36], [-0.29, 0.88, 0.37]];

    /** How far away ends are joined. */
    private const FAR = 80.0;

    /** How much an end that is led out rises: over what lies round it. */
    private const RISE = 0.5;

    /** @var list<string> what the scene is as it began */
    private array $before;

    public function __construct(private Scene $scene)
    {
        $this->before = $this->ledOut($scene->ropes);
    }

    /**
     * Whether ropes are still what the scene began as. A tail is free: what lies round it may come to lie over it or under it, so it
     * is led out above the rest and below it, and one of the ways has to be the same as before.
     *
     * @param  list<SpaceStrand>  $ropes
     * @return bool true where every way of joining the ends says so from every side
     */
    public function isStill(array $ropes): bool
    {
        $now = $this->ledOut($ropes);

        return ! in_array('', $this->before, true) && ! in_array('', $now, true) && array_intersect($this->before, $now) !== [];
    }

    /** @param  list<SpaceStrand>  $ropes */
    public static function isSame(Scene $scene, array $ropes): bool
    {
        return (new self($scene))->isStill($ropes);
    }

    /** Whether every frame of a form is the knot that a method draws. */
    public static function holds(KnotPack $knot, Method $method, Form $form): bool
    {
        $proof = new self(Lift::of($knot, $method));
        foreach ($form->frames as $frame) {
            if (! $proof->isStill($frame)) {
                return false;
            }
        }

        return true;
    }

    /**
     * What the ropes are, for each way of leading tails over and under; empty where two sides disagree.
     *
     * @param  list<SpaceStrand>  $ropes
     * @return list<string>
     */
    private function ledOut(array $ropes): array
    {
        $tails = [];
        foreach ($this->scene->ends as $number => $both) {
            foreach ($both as $end => $one) {
                if (! $one->isLoaded) {
                    $tails[] = 2 * $number + $end;
                }
            }
        }
        $marks = [];
        for ($choice = 0; $choice < 2 ** count($tails); $choice++) {
            $rises = array_fill(0, 2 * count($ropes), 0.0);
            foreach ($tails as $bit => $end) {
                $rises[$end] = ($choice >> $bit & 1) === 1 ? -self::RISE : self::RISE;
            }
            $marks[] = implode(' ', $this->both($ropes, $rises) ?? []);
        }

        return $marks;
    }

    /**
     * What the ropes are with their ends joined in either way; null where two sides disagree.
     *
     * @param  list<SpaceStrand>  $ropes
     * @param  array<int, float>  $rises  of each end
     * @return ?list<string>
     */
    private function both(array $ropes, array $rises): ?array
    {
        $marks = [];
        foreach ([0, 1] as $way) {
            $seen = array_unique(self::marks($this->closed($ropes, $way, $rises)));
            if (count($seen) !== 1) {
                return null;
            }
            $marks[] = $seen[0];
        }

        return $marks;
    }

    /**
     * What a few closed lines are, from each side.
     *
     * @param  list<SpaceStrand>  $closed
     * @return list<string>
     */
    public static function marks(array $closed): array
    {
        $few = Reduction::of($closed);
        $marks = [];
        foreach (self::SIDES as $side) {
            $code = Projection::code($few, $side);
            $marks[] = (Fingerprint::of($code)->sums[''] ?? null)?->key() ?? '';
        }

        return $marks;
    }

    public static function sides(): int
    {
        return count(self::SIDES);
    }

    /**
     * Every end led out and joined with its neighbour on the far circle: with the next one, or with the one before.
     *
     * @param  list<SpaceStrand>  $ropes
     * @param  array<int, float>  $rises
     * @return list<SpaceStrand>
     */
    private function closed(array $ropes, int $way, array $rises): array
    {
        $closed = [];
        $open = [];
        foreach ($ropes as $number => $rope) {
            $open[] = [$rope->points, self::out($rope->points[0], $this->scene->ends[$number][0], $rises[2 * $number]), self::out($rope->points[count($rope->points) - 1], $this->scene->ends[$number][1], $rises[2 * $number + 1]), $this->scene->ropes[$number], $this->scene->ends[$number]];
        }
        $ends = [];
        $lines = [];
        foreach ($open as $number => [$points, $first, $last, $loose, $both]) {
            // Where an end stands on the far circle is taken from the drawing it began as, and stays.
            $ends[] = [self::angle($loose->points[0], $both[0]), $number, 0];
            $ends[] = [self::angle($loose->points[count($loose->points) - 1], $both[1]), $number, 1];
            $lines[$number] = [...array_reverse($first), ...$points, ...$last];
        }
        foreach ($this->scene->solids as $solid) {
            if ($solid->isRing()) {
                $closed[] = $solid->middle();

                continue;
            }
            $number = count($lines);
            $length = $solid->length();
            $u = [($solid->to[0] - $solid->from[0]) / $length, ($solid->to[1] - $solid->from[1]) / $length, 0.0];
            $ends[] = [atan2(-$u[1], -$u[0]), $number, 0];
            $ends[] = [atan2($u[1], $u[0]), $number, 1];
            $lines[$number] = [$solid->from, $solid->to];
        }
        usort($ends, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $count = count($ends);
        $joined = [];
        foreach ($ends as $place => [$angle, $number, $end]) {
            $isOn = $place % 2 === $way;
            $other = ($place + ($isOn ? 1 : $count - 1)) % $count;
            $joined["$number/$end"] = [$ends[$other][1], $ends[$other][2], self::arc($angle, $ends[$other][0], $isOn)];
        }
        $done = [];
        foreach (array_keys($lines) as $start) {
            if (isset($done[$start])) {
                continue;
            }
            $points = [];
            $number = $start;
            $end = 1;
            do {
                $done[$number] = true;
                $line = $end === 1 ? $lines[$number] : array_reverse($lines[$number]);
                [$next, $at, $arc] = $joined["$number/$end"];
                array_push($points, ...$line, ...$arc);
                $number = $next;
                $end = 1 - $at;
            } while ($number !== $start);
            $closed[] = new SpaceStrand((string) $start, true, $points);
        }

        return $closed;
    }

    /**
     * @param  array{float, float, float}  $from
     * @return list<array{float, float, float}>
     */
    private static function out(array $from, FreeEnd $end, float $rise): array
    {
        $size = sqrt(1 + $rise ** 2);

        return [[$from[0] + self::FAR / 2 * $end->x / $size, $from[1] + self::FAR / 2 * $end->y / $size, $from[2] + self::FAR / 2 * $rise / $size]];
    }

    /** @param  array{float, float, float}  $at */
    private static function angle(array $at, FreeEnd $end): float
    {
        return atan2($at[1] + self::FAR * $end->y, $at[0] + self::FAR * $end->x);
    }

    /**
     * The way along the far circle: on to the next end, or back to the one before.
     *
     * @return list<array{float, float, float}>
     */
    private static function arc(float $from, float $to, bool $isOn): array
    {
        $more = $isOn ? fmod($to - $from + 4 * M_PI, 2 * M_PI) : -fmod($from - $to + 4 * M_PI, 2 * M_PI);
        $points = [];
        for ($k = 0; $k <= 12; $k++) {
            $angle = $from + $more * $k / 12;
            $points[] = [self::FAR * cos($angle), self::FAR * sin($angle), 0.0];
        }

        return $points;
    }
}
