<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Piece;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\StrandKind;

/**
 * A drawing at one step as a stand-alone SVG: ropes as tubes with a gap where they go under, the working end
 * whipped, the stretch that just moved marked with arrowheads.
 */
final readonly class SvgWriter
{
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
            $body .= $strand->kind->isRope() && $strand->runsOn->atStart() ? $this->fade($strand, false) : '';
            $body .= $strand->kind->isRope() && $strand->runsOn->atEnd() && ($state->reach[$strand->id] ?? INF) > $strand->curve->length() - 1e-6 ? $this->fade($strand, true) : '';
        }
        foreach ($ringed as $point) {
            $body .= sprintf('<circle cx="%s" cy="%s" r="%s" fill="none" stroke="%s" stroke-width="%s"/>', self::n($point->x), self::n($point->y), Look::RING['radius'], $this->palette->signal, Look::RING['width']);
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
            return ($state->reach[$strand->id] ?? INF) > 0 ? $this->object($strand) : '';
        }
        $reach = $state->reach[$strand->id] ?? $strand->curve->length();
        $far = $state?->farNow()[$strand->id] ?? INF;
        if ($reach >= $far) {
            $reach = $strand->curve->length();
        }
        $text = $piece->from >= $reach - 1e-6 ? '' : $this->tube($piece, $strand, $piece->from, min($piece->to, $reach), $reach, $state);
        if ($far !== INF && $reach < $strand->curve->length()) {
            $text .= $reach > $piece->from && $reach <= $piece->to ? $this->tip($strand, $reach, $far) : '';
            $text .= $piece->to <= $far + 1e-6 ? '' : $this->tube($piece, $strand, max($piece->from, $far), $piece->to, $strand->curve->length(), null);
        }

        return $text;
    }

    /** What is seen of a piece: the gap it leaves in what it crosses, its tube, and its end if it has come so far. */
    private function tube(Piece $piece, Strand $strand, float $first, float $to, float $reach, ?StepState $state): string
    {
        $rope = $this->rope($strand->id);
        $inner = $strand->width - 2 * Look::OUTLINE;
        $text = '';
        if ($piece->gap !== null && $piece->gap[0] < $to && $piece->gap[1] > $first) {
            $text .= $this->stroke($strand, max($first, $piece->gap[0]), min($piece->gap[1], $to), $this->palette->paper, $strand->width + 2 * $this->drawing->air);
        }
        $isEnd = $reach <= $piece->to;
        $isCut = $first > $piece->from;
        $from = $first + ($first > 0 && ! $isCut ? Look::LAP : 0.0);
        $lightTo = $to;
        $to -= $isEnd ? 0.0 : Look::LAP;
        // An end that has come no further than the lap is drawn from where its piece begins; less than an outline of it is nothing to see.
        $from = $to - $from > Look::OUTLINE ? $from : $first;
        if ($to - $from <= Look::OUTLINE) {
            return $text;
        }
        // The outline stops a hair short of the body where the rope goes on, so that no line shows across it.
        $text .= $this->stroke($strand, $from + ($first > 0 ? Look::SEAM : 0.0), $to + ($isEnd ? Look::OUTLINE : -Look::SEAM), $this->palette->line, $strand->width);
        if ($isEnd && ! $strand->runsOn->atEnd() && $reach > $strand->curve->length() - Look::OUTLINE) {
            $to -= Look::OUTLINE;
        }
        $text .= $this->stroke($strand, $from, $to, $rope['body'], $inner);
        $text .= $this->stroke($strand, $first, $isEnd ? max($first, $to - Look::SHEEN_ENDS) : $lightTo, $rope['light'], ...$this->sheen($strand, $inner));
        if ($rope['tracer'] !== null) {
            $text .= $this->stroke($strand, $from, $to, $rope['tracer'], Look::TRACER['width'], sprintf('stroke-dasharray="%s %s"', Look::TRACER['dash'], 1 - Look::TRACER['dash']));
        }
        $whipped = ! $strand->runsOn->atEnd() && ($reach >= $strand->curve->length() - 1e-6 || ! isset($state?->far[$strand->id]));
        $text .= $whipped ? $this->whipping($strand, max($from, $reach - Look::WHIPPING['length']), $to, $inner) : '';
        $text .= ! $strand->runsOn->atStart() ? $this->whipping($strand, $from, min($to, Look::WHIPPING['length']), $inner) : '';

        return $text.$this->arrows($strand, $from, $to, $state->moved[$strand->id] ?? null, $reach);
    }

    /**
     * The light on a rope lies along its upper side; tape is flat, and lies light between its two selvedges.
     *
     * @return array{float, string} width and attributes
     */
    private function sheen(Strand $strand, float $inner): array
    {
        return $strand->kind === StrandKind::Tape ? [$inner * Look::TAPE_SHEEN['share'], sprintf('stroke-opacity="%s"', Look::TAPE_SHEEN['opacity'])] : [$inner * Look::SHEEN['share'], self::aside()];
    }

    private static function aside(): string
    {
        return sprintf('transform="translate(%s %s)" stroke-opacity="%s"', Look::SHEEN['x'], Look::SHEEN['y'], Look::SHEEN['opacity']);
    }

    /** The tip of a bight that is on its way. */
    private function tip(Strand $strand, float $reach, float $far): string
    {
        $d = SvgPath::of([PartialDiagram::tip($strand->curve, $reach, $far)]);
        $inner = $strand->width - 2 * Look::OUTLINE;
        $rope = $this->rope($strand->id);

        return sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $this->palette->line, self::n($strand->width))
            .sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $rope['body'], self::n($inner))
            .sprintf('<path d="%s" stroke="%s" stroke-width="%s" %s/>', $d, $rope['light'], self::n($inner * Look::SHEEN['share']), self::aside());
    }

    private function whipping(Strand $strand, float $start, float $to, float $inner): string
    {
        if ($start >= $to) {
            return '';
        }

        $text = $this->stroke($strand, $start, $to, $this->palette->whipping, $inner);
        foreach (Look::WHIPPING['turns'] as $back) {
            $turn = $to - $back;
            $text .= $turn <= $start ? '' : $this->stroke($strand, $turn, $turn + Look::WHIPPING['turn'], $this->palette->mark, $inner, sprintf('stroke-opacity="%s"', Look::WHIPPING['opacity']));
        }

        return $text;
    }

    /** @param  ?array{float, float}  $moved */
    private function arrows(Strand $strand, float $from, float $to, ?array $moved, float $reach): string
    {
        $text = '';
        for ($s = $moved === null ? INF : $moved[0] + Look::ARROWS['first']; $moved !== null && $s < min($moved[1], $reach) - Look::ARROWS['last']; $s += Look::ARROWS['apart']) {
            if ($s < $from || $s >= $to) {
                continue;
            }
            $at = $strand->curve->pointAt($s);
            $way = $strand->curve->directionAt($s);
            $back = $way->times(Look::ARROWS['back']);
            $tip = $at->plus($way->times(Look::ARROWS['front']));
            $side = new Point(-$back->y, $back->x);
            $tail = $at->minus($back);
            $text .= sprintf(
                '<path d="M%s %sL%s %sL%s %s" stroke="%s" stroke-width="%s" stroke-linecap="round"/>',
                self::n($tail->x + $side->x), self::n($tail->y + $side->y), self::n($tip->x), self::n($tip->y),
                self::n($tail->x - $side->x), self::n($tail->y - $side->y), $this->palette->mark, Look::ARROWS['width'],
            );
        }

        return $text;
    }

    private function object(Strand $strand): string
    {
        $d = SvgPath::of($strand->curve->cubics);
        $wide = self::n($strand->width);
        $text = sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $this->palette->line, $wide)
            .sprintf('<path d="%s" stroke="%s" stroke-width="%s"/>', $d, $this->palette->wood, self::n($strand->width - 2 * Look::WOOD_OUTLINE));
        foreach (Look::GRAIN['shares'] as $number => $share) {
            $from = $strand->curve->pointAt(0);
            $way = $strand->curve->directionAt(0);
            $shift = (new Point(-$way->y, $way->x))->times($share * $strand->width);
            $text .= sprintf('<path d="%s" transform="translate(%s %s)" stroke="%s" stroke-width="%s" stroke-dasharray="%s" stroke-dashoffset="%s"/>',
                $d, self::n($shift->x), self::n($shift->y), $this->palette->grain, Look::GRAIN['width'], Look::GRAIN['dashes'][$number % 3], self::n($number * Look::GRAIN['shift'] + $from->x));
        }

        return $text;
    }

    /** An end that runs on out of the picture: the standing one, or the far one. */
    private function fade(Strand $strand, bool $isFar): string
    {
        $length = $strand->curve->length();
        $way = $isFar ? $strand->curve->directionAt($length)->times(-1) : $strand->curve->directionAt(0);
        $at = $strand->curve->pointAt($isFar ? $length : 0);
        $angle = rad2deg(atan2($way->y, $way->x));
        $id = ($isFar ? 'far-' : 'fade-').$strand->id;

        return sprintf('<defs><linearGradient id="%s"><stop offset="0" stop-color="%s"/><stop offset="1" stop-color="%s" stop-opacity="0"/></linearGradient></defs>', $id, $this->palette->paper, $this->palette->paper)
            .sprintf('<rect x="%s" y="%s" width="%s" height="%s" fill="url(#%s)" transform="translate(%s %s) rotate(%s)"/>', ...array_values(Look::FADE), ...[$id, self::n($at->x), self::n($at->y), self::n($angle)]);
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
