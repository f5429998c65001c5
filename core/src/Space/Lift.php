<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\StrandKind;

/**
 * A flat drawing raised into space: where strands cross, one goes so far above the other that two ropes have room, and where
 * a rope crosses a pole it lies in front of it or behind it; in between it rises and falls softly.
 */
final class Lift
{
    /** Distance of two ropes that cross, from middle to middle. */
    private const ROOM = 1.2;

    /** What a rope may rise in one diameter of its way. */
    private const SLOPE = 0.9;

    private const SPACING = 0.4;

    /** How long the ends are that lie in nothing: a tail, and one that goes on to the load. */
    private const TAIL = 3.5;

    private const STANDING = 6.0;

    /** @var array<int, Solid> by strand; the middle lines of objects lie in the plane */
    private array $solids = [];

    private function __construct(private readonly Diagram $diagram, private readonly Method $method, private readonly bool $hasLoop)
    {
        foreach ($diagram->strands as $number => $strand) {
            if (! $strand->kind->isRope()) {
                $this->solids[$number] = self::solid($strand);
            }
        }
    }

    public static function of(KnotPack $knot, Method $method): Scene
    {
        return (new self(DiagramBuilder::loose($method, $knot->file), $method, $knot->family === Family::Loop))->scene();
    }

    /** @return list<int> the strands that a scene's ropes are raised from, in their order */
    public static function ropes(Diagram $diagram): array
    {
        return array_keys(array_filter($diagram->strands, static fn (Strand $strand): bool => $strand->kind->isRope()));
    }

    private function scene(): Scene
    {
        $heights = $this->heights();
        $ropes = [];
        $ends = [];
        foreach (self::ropes($this->diagram) as $number) {
            $strand = $this->diagram->strands[$number];
            $length = $strand->curve->length();
            $pieces = max(2, (int) round($length / self::SPACING));
            $points = [];
            for ($k = 0; $k <= $pieces; $k++) {
                $s = $length * $k / $pieces;
                $at = $strand->curve->pointAt($s);
                $points[] = [$at->x, -$at->y, self::heightAt($heights[$number], $s)];
            }
            $ropes[] = new SpaceStrand($strand->id, false, $points);
            $back = $strand->curve->directionAt(0.0);
            $on = $strand->curve->directionAt($length);
            $ends[] = [
                self::end(-$back->x, $back->y, $strand->runsOn->atStart()),
                self::end($on->x, -$on->y, $strand->runsOn->atEnd()),
            ];
        }

        return new Scene($ropes, array_values($this->solids), LoopPegs::of($this->diagram, $this->method, $this->hasLoop && $this->solids === []), $ends, $this->method->gathers);
    }

    private static function end(float $x, float $y, bool $isLoaded): FreeEnd
    {
        return new FreeEnd($x, $y, 0.0, $isLoaded ? self::STANDING : self::TAIL, $isLoaded);
    }

    /**
     * How high each rope lies at its crossings.
     *
     * @return array<int, list<array{float, float}>> length along it and height, in order, by strand
     */
    private function heights(): array
    {
        $height = [];
        $least = [];
        $along = [];
        foreach ($this->diagram->strands as $number => $strand) {
            if ($strand->kind->isRope()) {
                foreach ($this->diagram->visits($number) as $visit) {
                    $key = "$number/$visit->crossing/".($visit->over ? 'o' : 'u');
                    $along[$number][] = [$visit->at, $key];
                    $solid = $this->solids[$visit->other] ?? null;
                    $sign = $visit->over ? 1 : -1;
                    $height[$key] = $solid === null ? $sign * self::ROOM / 2 : $sign * ($solid->radius + 0.55);
                    $least[$key] = $solid === null ? null : $height[$key];
                }
            }
        }
        foreach ($along as $number => $visits) {
            foreach ($visits as $order => [$s, $key]) {
                $least[$key] ??= $this->resting($number, $visits, $order);
                $height[$key] = $least[$key] === null ? $height[$key] : $least[$key];
            }
        }
        for ($round = 0; $round < 300; $round++) {
            foreach ($this->diagram->crossings as $crossing => $one) {
                $over = "$one->over/$crossing/o";
                $under = "$one->under/$crossing/u";
                if (isset($height[$over], $height[$under])) {
                    self::apart($height, $least, $over, $under, self::ROOM);
                }
            }
            foreach ($along as $visits) {
                for ($k = 1; $k < count($visits); $k++) {
                    [$from, $a] = $visits[$k - 1];
                    [$to, $b] = $visits[$k];
                    $most = self::SLOPE * ($to - $from);
                    $more = $height[$b] - $height[$a];
                    if (abs($more) > $most) {
                        $by = ($more > 0 ? $more - $most : $more + $most) / 4;
                        self::shift($height, $least, $a, $by);
                        self::shift($height, $least, $b, -$by);
                    }
                }
            }
        }

        $heights = [];
        foreach ($this->diagram->strands as $number => $strand) {
            $visits = $along[$number] ?? [];
            $places = array_map(static fn (array $visit): array => [$visit[0], $height[$visit[1]]], $visits);
            $first = $this->endHeight($number, 0.0, $places);
            $last = $this->endHeight($number, $strand->curve->length(), $places);
            $heights[$number] = [$first, ...$places, $last];
        }

        return $heights;
    }

    /**
     * An end comes back to the plane, unless it lies along something.
     *
     * @param  list<array{float, float}>  $places
     * @return array{float, float}
     */
    private function endHeight(int $number, float $s, array $places): array
    {
        $at = $this->diagram->strands[$number]->curve->pointAt($s);
        $near = $s > 0 ? $places[count($places) - 1] ?? [0.0, 0.0] : $places[0] ?? [0.0, 0.0];
        foreach ($this->solids as $solid) {
            if (self::aside($solid, $at) < $solid->radius + 0.5) {
                return [$s, $near[1]];
            }
        }
        $toward = max(0.0, 1 - abs($s - $near[0]) / 3);

        return [$s, $near[1] * $toward];
    }

    /**
     * Where ropes cross on a pole, they lie on its front or its back, as the nearer of the places beside does.
     *
     * @param  list<array{float, string}>  $visits
     */
    private function resting(int $number, array $visits, int $order): ?float
    {
        $place = $this->diagram->strands[$number]->curve->pointAt($visits[$order][0]);
        foreach ($this->solids as $solid) {
            $aside = self::aside($solid, $place);
            if ($aside > $solid->radius + 0.5) {
                continue;
            }
            $best = INF;
            $rests = null;
            foreach ($this->diagram->visits($number) as $visit) {
                $far = abs($visit->at - $visits[$order][0]);
                if (($this->solids[$visit->other] ?? null) === $solid && $far < $best && $far < 2 * $solid->radius + 2) {
                    $best = $far;
                    $rests = ($visit->over ? 1 : -1) * max(0.3, sqrt(max(0.0, ($solid->radius + 0.55) ** 2 - $aside ** 2)));
                }
            }
            if ($rests !== null) {
                return $rests;
            }
        }

        return null;
    }

    /**
     * @param  array<string, float>  $height
     * @param  array<string, ?float>  $least
     */
    private static function apart(array &$height, array $least, string $over, string $under, float $room): void
    {
        $lack = $room - ($height[$over] - $height[$under]);
        if ($lack > 0) {
            self::shift($height, $least, $over, $lack / 2);
            self::shift($height, $least, $under, -$lack / 2);
        }
    }

    /**
     * What lies on a pole does not sink into it.
     *
     * @param  array<string, float>  $height
     * @param  array<string, ?float>  $least
     */
    private static function shift(array &$height, array $least, string $key, float $by): void
    {
        $height[$key] += $by;
        $rests = $least[$key] ?? null;
        if ($rests !== null) {
            $height[$key] = $rests > 0 ? max($rests, $height[$key]) : min($rests, $height[$key]);
        }
    }

    /** @param  list<array{float, float}>  $places */
    private static function heightAt(array $places, float $s): float
    {
        $before = $places[0];
        foreach ($places as $place) {
            if ($s <= $place[0]) {
                $gap = $place[0] - $before[0];
                $flat = min(0.6, $gap / 4);
                $share = $gap > 0 ? max(0.0, min(1.0, ($s - $before[0] - $flat) / max(1e-9, $gap - 2 * $flat))) : 1.0;

                return $before[1] + ($place[1] - $before[1]) * (1 - cos(M_PI * $share)) / 2;
            }
            $before = $place;
        }

        return $before[1];
    }

    private static function aside(Solid $solid, Point $place): float
    {
        if ($solid->isRing()) {
            return abs(hypot($place->x - $solid->centre()[0], -$place->y - $solid->centre()[1]) - $solid->length() / 2);
        }
        $dx = $solid->to[0] - $solid->from[0];
        $dy = $solid->to[1] - $solid->from[1];

        return abs(($place->x - $solid->from[0]) * $dy - (-$place->y - $solid->from[1]) * $dx) / max(1e-9, hypot($dx, $dy));
    }

    private static function solid(Strand $strand): Solid
    {
        $points = $strand->curve->points;
        $from = $points[0];
        $to = $points[count($points) - 1];
        if ($strand->kind === StrandKind::Ring) {
            $far = $from;
            foreach ($points as $point) {
                $far = $point->distance($from) > $far->distance($from) ? $point : $far;
            }
            $to = $far;
        }

        return new Solid($strand->kind, [$from->x, -$from->y, 0.0], [$to->x, -$to->y, 0.0], $strand->width / 2);
    }
}
