<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A drawing at one step as a stand-alone SVG: ropes as tubes with a gap where they go under, the working end
 * whipped, the stretch that just moved marked with arrowheads.
 */
final readonly class SvgWriter
{
    private const OUTLINE = 0.09;

    public function __construct(private Drawing $drawing, private Palette $palette)
    {
    }

    /**
     * @param  ?StepState  $state  null: the finished knot
     * @param  list<Point>  $ringed  crossings to ring
     */
    public function write(?StepState $state, string $title, array $ringed = []): string
    {
        [$x, $y, $width, $height] = $this->drawing->toArray()['box'];
        $body = '';
        foreach ($this->drawing->pieces as $piece) {
            $body .= $this->piece($piece, $state);
        }
        foreach ($this->drawing->diagram->strands as $strand) {
            $body .= $strand->kind->isRope() ? $this->fade($strand) : '';
        }
        foreach ($ringed as $point) {
            $body .= sprintf('<circle cx="%s" cy="%s" r="1.9" fill="none" stroke="%s" stroke-width="0.28"/>', self::n($point->x), self::n($point->y), $this->palette->signal);
        }

        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="%s %s %s %s" width="%s" height="%s" role="img"><title>%s</title><g fill="none" stroke-linejoin="round">%s</g></svg>',
            self::n($x), self::n($y), self::n($width), self::n($height), self::n($width * 30), self::n($height * 30), htmlspecialchars($title, ENT_XML1), $body,
        );
    }

    private function piece(Piece $piece, ?StepState $state): string
    {
        $strand = $this->drawing->diagram->strands[$piece->strand];
        if (! $strand->kind->isRope()) {
            return $this->object($strand);
        }
        $reach = $state->reach[$strand->id] ?? $strand->curve->length();
        if ($piece->from >= $reach - 1e-6) {
            return '';
        }
        $to = min($piece->to, $reach);
        $rope = $this->rope($strand->id);
        $inner = $strand->width - 2 * self::OUTLINE;
        $text = '';
        if ($piece->gap !== null && $piece->gap[0] < $reach) {
            $text .= $this->stroke($strand, $piece->gap[0], min($piece->gap[1], $reach), $this->palette->paper, $strand->width + 2 * $this->drawing->air);
        }
        $isEnd = $reach <= $piece->to;
        $from = $piece->from + ($piece->from > 0 ? Piece::LAP - 0.04 : 0.0);
        $lightTo = $to;
        $to -= $isEnd ? 0.0 : Piece::LAP - 0.04;
        // The outline stops a hair short of the body where the rope goes on, so that no line shows across it.
        $text .= $this->stroke($strand, $from + ($piece->from > 0 ? 0.03 : 0.0), $to + ($isEnd ? self::OUTLINE : -0.03), $this->palette->ink, $strand->width);
        if ($isEnd && $reach > $strand->curve->length() - self::OUTLINE) {
            $to -= self::OUTLINE;
        }
        $text .= $this->stroke($strand, $from, $to, $rope['body'], $inner);
        $text .= $this->stroke($strand, $piece->from, $isEnd ? max($piece->from, $to - 0.3) : $lightTo, $rope['light'], $inner * 0.34, 'transform="translate(-0.13 -0.15)" stroke-opacity="0.85"');
        if ($rope['tracer'] !== null) {
            $text .= $this->stroke($strand, $from, $to, $rope['tracer'], 0.2, 'stroke-dasharray="0.55 0.45"');
        }
        $text .= $this->whipping($strand, $from, $to, $reach, $inner);

        return $text.$this->arrows($strand, $from, $to, $state->moved[$strand->id] ?? null, $reach);
    }

    private function whipping(Strand $strand, float $from, float $to, float $reach, float $inner): string
    {
        $start = max($from, $reach - 1.3);
        if ($start >= $to) {
            return '';
        }

        return $this->stroke($strand, $start, $to, $this->palette->signal, $inner)
            .$this->stroke($strand, $start, $to, $this->palette->ink, $inner, 'stroke-dasharray="0.06 0.26" stroke-opacity="0.55"');
    }

    /** @param  ?array{float, float}  $moved */
    private function arrows(Strand $strand, float $from, float $to, ?array $moved, float $reach): string
    {
        $text = '';
        for ($s = $moved === null ? INF : $moved[0] + 1.1; $moved !== null && $s < min($moved[1], $reach) - 1.6; $s += 1.5) {
            if ($s < $from || $s >= $to) {
                continue;
            }
            $at = $strand->curve->pointAt($s);
            $way = $strand->curve->directionAt($s)->times(0.24);
            $side = new Point(-$way->y, $way->x);
            $tail = $at->minus($way);
            $text .= sprintf(
                '<path d="M%s %sL%s %sL%s %s" stroke="%s" stroke-width="0.15" stroke-linecap="round"/>',
                self::n($tail->x + $side->x), self::n($tail->y + $side->y), self::n($at->x + $way->x * 0.6), self::n($at->y + $way->y * 0.6),
                self::n($tail->x - $side->x), self::n($tail->y - $side->y), $this->palette->ink,
            );
        }

        return $text;
    }

    private function object(Strand $strand): string
    {
        $d = SvgPath::of($strand->curve->cubics);
        $wide = self::n($strand->width);
        $text = sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $this->palette->ink, $wide)
            .sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $this->palette->wood, self::n($strand->width - 2 * self::OUTLINE));
        foreach ([-0.3, -0.12, 0.1, 0.26, 0.38] as $number => $share) {
            $from = $strand->curve->pointAt(0);
            $way = $strand->curve->directionAt(0);
            $shift = (new Point(-$way->y, $way->x))->times($share * $strand->width);
            $text .= sprintf('<path d="%s" transform="translate(%s %s)" stroke="%s" stroke-width="0.1" stroke-dasharray="%s" stroke-dashoffset="%s"/>',
                $d, self::n($shift->x), self::n($shift->y), $this->palette->grain, ['5 1.5 2 3', '3 2 6 2.5', '7 3 2.5 1'][$number % 3], self::n($number * 1.7 + $from->x));
        }

        return $text;
    }

    /** The standing end runs on out of the picture. */
    private function fade(Strand $strand): string
    {
        $way = $strand->curve->directionAt(0);
        $at = $strand->curve->pointAt(0);
        $angle = rad2deg(atan2($way->y, $way->x));
        $id = 'fade-'.$strand->id;

        return sprintf('<defs><linearGradient id="%s"><stop offset="0" stop-color="%s"/><stop offset="1" stop-color="%s" stop-opacity="0"/></linearGradient></defs>', $id, $this->palette->paper, $this->palette->paper)
            .sprintf('<rect x="-0.2" y="-0.8" width="2.2" height="1.6" fill="url(#%s)" transform="translate(%s %s) rotate(%s)"/>', $id, self::n($at->x), self::n($at->y), self::n($angle));
    }

    private function stroke(Strand $strand, float $from, float $to, string $colour, float $width, string $more = ''): string
    {
        $cubics = $strand->curve->between($from, min($to, $strand->curve->length()));

        return $cubics === [] ? '' : sprintf('<path d="%s" stroke="%s" stroke-width="%s" %s/>', SvgPath::of($cubics), $colour, self::n($width), $more);
    }

    /** @return array{body: string, light: string, tracer: ?string} */
    private function rope(string $id): array
    {
        $number = 0;
        foreach ($this->drawing->diagram->strands as $strand) {
            if ($strand->id === $id) {
                break;
            }
            $number += $strand->kind->isRope() ? 1 : 0;
        }

        return $this->palette->ropes[$number % count($this->palette->ropes)];
    }

    private static function n(float $value): string
    {
        return SvgPath::number($value);
    }
}
