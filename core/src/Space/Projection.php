<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;

/**
 * Lines in space as they cross each other for one who looks from some side.
 */
final class Projection
{
    /**
     * @param  list<SpaceStrand>  $strands
     * @param  list<string>  $sorts  what each is, such as "rope 1"; ropes where it begins so, else objects
     * @param  array{float, float, float}  $from  where the eye is, far away: y is up in the picture
     */
    public static function code(array $strands, array $from, array $sorts = []): GaussCode
    {
        [$right, $up, $toward] = self::axes($from);
        $segments = [];
        foreach ($strands as $number => $strand) {
            $points = array_map(static fn (array $p): array => [Vector::dot($p, $right), Vector::dot($p, $up), Vector::dot($p, $toward)], $strand->points);
            $all = count($points);
            for ($k = 0, $most = $strand->segments(); $k < $most; $k++) {
                $segments[] = [$number, $k, $points[$k], $points[($k + 1) % $all]];
            }
        }
        $visits = array_fill(0, count($strands), []);
        $turns = [];
        foreach ($segments as $a => [$one, $first, $p, $q]) {
            for ($b = $a + 1, $count = count($segments); $b < $count; $b++) {
                [$two, $second, $r, $s] = $segments[$b];
                $ux = $q[0] - $p[0];
                $uy = $q[1] - $p[1];
                $vx = $s[0] - $r[0];
                $vy = $s[1] - $r[1];
                $turn = $ux * $vy - $uy * $vx;
                if ($turn === 0.0) {
                    continue;
                }
                $wx = $r[0] - $p[0];
                $wy = $r[1] - $p[1];
                $i = ($wx * $vy - $wy * $vx) / $turn;
                $j = ($wx * $uy - $wy * $ux) / $turn;
                if ($i <= 0 || $i >= 1 || $j <= 0 || $j >= 1) {
                    continue;
                }
                $isOver = $p[2] + $i * ($q[2] - $p[2]) > $r[2] + $j * ($s[2] - $r[2]);
                $crossing = count($turns);
                $turns[] = ($isOver ? $turn : -$turn) > 0 ? 1 : -1;
                $visits[$one][] = [$first + $i, $crossing, $isOver];
                $visits[$two][] = [$second + $j, $crossing, ! $isOver];
            }
        }
        $gauss = [];
        foreach ($strands as $number => $strand) {
            usort($visits[$number], static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $met = array_map(static fn (array $visit): array => [$visit[1], $visit[2]], $visits[$number]);
            $sort = $sorts[$number] ?? 'rope';
            $gauss[] = str_starts_with($sort, 'rope') || str_starts_with($sort, 'tape') ? GaussStrand::rope($sort, $strand->closed, $met) : GaussStrand::object($sort, $strand->closed, $met);
        }

        return new GaussCode($gauss, $turns);
    }

    /**
     * @param  array{float, float, float}  $from
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}} to the right, up, and to the eye
     */
    private static function axes(array $from): array
    {
        $length = sqrt(Vector::dot($from, $from));
        $toward = [$from[0] / $length, $from[1] / $length, $from[2] / $length];
        $near = abs($toward[1]) < 0.9 ? [0.0, 1.0, 0.0] : [0.0, 0.0, 1.0];
        $right = Vector::cross($near, $toward);
        $size = sqrt(Vector::dot($right, $right));
        $right = [$right[0] / $size, $right[1] / $size, $right[2] / $size];

        return [$right, Vector::cross($toward, $right), $toward];
    }
}
