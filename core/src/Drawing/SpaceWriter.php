<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\RunsOn;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;

/**
 * Ropes in space from one side, as a stand-alone SVG: short pieces painted from the farthest to the nearest, so that what is
 * nearer hides what is behind it; the lay of the rope shows how it bends. For paper, and for screens that cannot turn it.
 */
final class SpaceWriter
{
    private const SCALE = 30;

    private const MARGIN = 0.6;

    /** Points to a piece. */
    private const PIECE = 3;

    /** Lines of the lay: how wide and how strong, and how squarely their place has to face the eye. */
    private const LINES = ['width' => 0.07, 'opacity' => 0.5, 'facing' => 0.15];

    private const WOOD_PIECE = 0.5;

    /** Wood grows darker away from the light: how far aside, how wide, and how dark, in shares of its width. */
    private const WOOD_SHADES = [[0.2, 0.6, 0.25], [0.32, 0.36, 0.5], [0.41, 0.18, 0.75]];

    /** How dark the far side of a rope is, against its near side. */
    private const SHADE = ['width' => 0.26, 'share' => 0.3, 'aside' => 0.27];

    private const LIGHT = ['width' => 0.2, 'share' => 0.75, 'aside' => 0.16];

    public function __construct(private readonly Palette $palette, private readonly Lay $lay = Lay::Laid)
    {
    }

    /**
     * @param  list<SpaceStrand>  $ropes
     * @param  list<Solid>  $solids  as far as they are to be seen
     * @param  ?list<SpaceStrand>  $room  ropes that the picture has room for; null: those that are drawn
     */
    public function write(Method $method, array $ropes, array $solids, Turn $turn, string $title, ?array $room = null): string
    {
        $pieces = [];
        $low = [INF, INF];
        $high = [-INF, -INF];
        foreach ($room ?? $ropes as $rope) {
            foreach (array_map($turn->of(...), $rope->points) as [$x, $y]) {
                $low = [min($low[0], $x), min($low[1], $y)];
                $high = [max($high[0], $x), max($high[1], $y)];
            }
        }
        $numbers = array_flip(array_values(array_unique(array_map(static fn (SpaceStrand $rope): string => $rope->id, $room ?? $ropes))));
        foreach ($ropes as $rope) {
            array_push($pieces, ...$this->rope(array_map($turn->of(...), $rope->points), $this->palette->ropes[$numbers[$rope->id] % count($this->palette->ropes)], self::runsOn($method, $rope->id)));
        }
        foreach ($solids as $solid) {
            array_push($pieces, ...$this->wood($solid, $turn));
        }
        usort($pieces, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$x, $y] = [$low[0] - 0.5 - self::MARGIN, $low[1] - 0.5 - self::MARGIN];
        [$width, $height] = [$high[0] + 0.5 + self::MARGIN - $x, $high[1] + 0.5 + self::MARGIN - $y];

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="%s %s %s %s" width="%s" height="%s" role="img"><title>%s</title><g fill="none" stroke-linejoin="round">%s</g></svg>',
            self::n($x), self::n($y), self::n($width), self::n($height), self::n($width * self::SCALE), self::n($height * self::SCALE),
            htmlspecialchars($title, ENT_XML1), implode('', array_column($pieces, 1)),
        );
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @param  array{body: string, light: string, tracer: ?string}  $colours
     * @return list<array{float, string}> depth and drawing
     */
    private function rope(array $points, array $colours, RunsOn $runsOn): array
    {
        $last = count($points) - 1;
        $frames = self::frames($points);
        $lengths = [0.0];
        for ($k = 1; $k <= $last; $k++) {
            $lengths[] = $lengths[$k - 1] + sqrt(($points[$k][0] - $points[$k - 1][0]) ** 2 + ($points[$k][1] - $points[$k - 1][1]) ** 2 + ($points[$k][2] - $points[$k - 1][2]) ** 2);
        }
        $inner = 1 - 2 * Look::OUTLINE;
        $pieces = [];
        for ($from = 0; $from < $last; $from = $to) {
            $to = min($last, $from + self::PIECE);
            $own = array_slice($points, $from, $to - $from + 1);
            $first = max(0, $from - 1);
            $until = min($last, $to + 1);
            $wide = array_slice($points, $first, $until - $first + 1);
            $isWhipped = (! $runsOn->atStart() && $lengths[$from] < Look::WHIPPING['length'] - 0.3) || (! $runsOn->atEnd() && Look::WHIPPING['length'] - 0.3 > $lengths[$last] - $lengths[$to]);
            $body = $isWhipped ? $this->palette->whipping : $colours['body'];
            // The body reaches further than the outline, so that no line shows across a rope that goes on.
            $text = self::path(self::between($points, $from - ($from > 0 ? 0.4 : 0.0), $to + ($to < $last ? 0.4 : 0.0)), $this->palette->line, 1.0);
            $text .= self::path($wide, $body, $inner);
            $text .= self::path(self::aside($wide, self::SHADE['aside']), self::mixed($body, $this->palette->line, self::SHADE['share']), self::SHADE['width']);
            $text .= self::path(self::aside($wide, -self::LIGHT['aside']), self::mixed($body, $colours['light'], self::LIGHT['share']), self::LIGHT['width']);
            $text .= $isWhipped ? '' : $this->lines($points, $frames, $lengths, $first, $until, $colours['tracer']);
            $pieces[] = [array_sum(array_column($own, 2)) / count($own), $text];
        }

        return $pieces;
    }

    /**
     * The lines of the lay on a piece, where they face the eye.
     *
     * @param  list<array{float, float, float}>  $points
     * @param  list<array{array{float, float, float}, array{float, float, float}}>  $frames
     * @param  list<float>  $lengths
     */
    private function lines(array $points, array $frames, array $lengths, int $from, int $to, ?string $tracer): string
    {
        $text = '';
        foreach ($this->lay->lines() as $number => [$turns, $start]) {
            $run = [];
            for ($k = $from; $k <= $to; $k++) {
                $angle = 2 * M_PI * ($turns * $lengths[$k] + $start);
                [$u, $v] = $frames[$k];
                $facing = cos($angle) * $u[2] + sin($angle) * $v[2];
                if ($facing > self::LINES['facing'] && $k > 0 && $k < count($points) - 1) {
                    $run[] = [$points[$k][0] + 0.43 * (cos($angle) * $u[0] + sin($angle) * $v[0]), $points[$k][1] + 0.43 * (cos($angle) * $u[1] + sin($angle) * $v[1]), 0.0];
                }
            }
            // One of the second rope's strands is light: it is told apart without its colour.
            $isTracer = $tracer !== null && $number === 0;
            $text .= count($run) < 2 ? '' : self::path($run, $isTracer ? $tracer : $this->palette->line, $isTracer ? 0.2 : self::LINES['width'], $isTracer ? '' : sprintf(' stroke-opacity="%s"', self::LINES['opacity']));
        }

        return $text;
    }

    /** @return list<array{float, string}> */
    private function wood(Solid $solid, Turn $turn): array
    {
        $line = $solid->isRing() ? $solid->middle()->points : self::pieces($solid);
        if ($solid->isRing()) {
            $line[] = $line[0];
        }
        $points = array_map($turn->of(...), $line);
        $pieces = [];
        for ($k = 0; $k < count($points) - 1; $k++) {
            $own = [$points[$k], $points[$k + 1]];
            $first = max(0, $k - 1);
            $wide = array_slice($points, $first, min(count($points) - 1, $k + 2) - $first + 1);
            $across = 2 * $solid->radius;
            $text = self::path(self::between($points, max(0.0, $k - 0.4), min(count($points) - 1.0, $k + 1.4)), $this->palette->line, $across).self::path($wide, $this->palette->wood, $across - 2 * Look::WOOD_OUTLINE);
            foreach (self::WOOD_SHADES as [$aside, $width, $share]) {
                $text .= self::path(self::aside($wide, $aside * $across), self::mixed($this->palette->wood, $this->palette->grain, $share), $width * $across - Look::WOOD_OUTLINE);
            }
            $pieces[] = [($own[0][2] + $own[1][2]) / 2, $text];
        }

        return $pieces;
    }

    /** @return list<array{float, float, float}> the middle line of a bar, in short pieces */
    private static function pieces(Solid $bar): array
    {
        $count = max(1, (int) round($bar->length() / self::WOOD_PIECE));

        return (new SpaceStrand('', false, [$bar->from, $bar->to]))->resampled($count + 1)->points;
    }

    /**
     * Two directions across the rope at each point, that do not twist along it.
     *
     * @param  list<array{float, float, float}>  $points
     * @return list<array{array{float, float, float}, array{float, float, float}}>
     */
    private static function frames(array $points): array
    {
        $frames = [];
        $u = [0.0, 0.0, 1.0];
        $last = count($points) - 1;
        foreach ($points as $k => $point) {
            $before = $points[max(0, $k - 1)];
            $after = $points[min($last, $k + 1)];
            $t = self::unit([$after[0] - $before[0], $after[1] - $before[1], $after[2] - $before[2]]);
            $dot = $u[0] * $t[0] + $u[1] * $t[1] + $u[2] * $t[2];
            if (abs($dot) > 0.99) {
                $u = abs($t[0]) < 0.9 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
                $dot = $u[0] * $t[0] + $u[1] * $t[1] + $u[2] * $t[2];
            }
            $u = self::unit([$u[0] - $dot * $t[0], $u[1] - $dot * $t[1], $u[2] - $dot * $t[2]]);
            $frames[] = [$u, [$t[1] * $u[2] - $t[2] * $u[1], $t[2] * $u[0] - $t[0] * $u[2], $t[0] * $u[1] - $t[1] * $u[0]]];
        }

        return $frames;
    }

    private static function runsOn(Method $method, string $id): RunsOn
    {
        foreach ($method->strands as $strand) {
            if ($strand->id === $id) {
                return $strand->runsOn;
            }
        }

        return RunsOn::Neither;
    }

    /**
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     */
    private static function unit(array $v): array
    {
        $length = sqrt($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2);

        return $length > 0 ? [$v[0] / $length, $v[1] / $length, $v[2] / $length] : [0.0, 0.0, 1.0];
    }

    /**
     * A line beside another, by so much toward where the light does not come from: it comes from above, a little from the left.
     *
     * @param  list<array{float, float, float}>  $points
     * @return list<array{float, float, float}>
     */
    private static function aside(array $points, float $by): array
    {
        $last = count($points) - 1;
        $beside = [];
        foreach ($points as $k => [$x, $y, $z]) {
            $dx = $points[min($last, $k + 1)][0] - $points[max(0, $k - 1)][0];
            $dy = $points[min($last, $k + 1)][1] - $points[max(0, $k - 1)][1];
            $length = max(1e-9, hypot($dx, $dy));
            // How squarely the line lies to the light: along it there is no dark side.
            $square = (-$dy * 0.5 + $dx * 0.87) / $length;
            $beside[] = [$x - $dy / $length * $by * $square, $y + $dx / $length * $by * $square, $z];
        }

        return $beside;
    }

    /**
     * @param  list<array{float, float, float}>  $points
     * @return list<array{float, float, float}> from one place to another, in points and shares of the way to the next
     */
    private static function between(array $points, float $from, float $to): array
    {
        $at = static function (float $place) use ($points): array {
            $k = min((int) floor($place), count($points) - 2);
            $share = $place - $k;

            return [$points[$k][0] + ($points[$k + 1][0] - $points[$k][0]) * $share, $points[$k][1] + ($points[$k + 1][1] - $points[$k][1]) * $share, 0.0];
        };
        $line = [$at($from)];
        for ($k = (int) floor($from) + 1; $k < $to; $k++) {
            $line[] = $points[$k];
        }
        $line[] = $at($to);

        return $line;
    }

    /** One colour with a share of another. */
    private static function mixed(string $colour, string $with, float $share): string
    {
        $mixed = '#';
        foreach ([1, 3, 5] as $place) {
            $mixed .= sprintf('%02x', (int) round(hexdec(substr($colour, $place, 2)) * (1 - $share) + hexdec(substr($with, $place, 2)) * $share));
        }

        return $mixed;
    }

    /** @param  list<array{float, float, float}>  $points */
    private static function path(array $points, string $colour, float $width, string $more = ''): string
    {
        $d = '';
        foreach ($points as $k => [$x, $y]) {
            $d .= ($k === 0 ? 'M' : 'L').self::n($x).' '.self::n($y);
        }

        return sprintf('<path d="%s" stroke="%s" stroke-width="%s"%s/>', $d, $colour, self::n($width), $more);
    }

    private static function n(float $value): string
    {
        return SvgPath::number($value);
    }
}
