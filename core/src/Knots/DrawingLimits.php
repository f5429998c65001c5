<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;
use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Words\Saying;

/**
 * How clear a drawing has to be. Lengths in rope widths, angles in degrees.
 */
final class DrawingLimits
{
    public const ANGLE = 45.0;

    public const APART = 1.6;

    public const SPACING = 2.2;

    public const PAIRED = 1.05;

    public const TIGHT_ANGLE = 25.0;

    public const TIGHT_APART = 1.05;

    public const TIGHT_SHARE = 0.6;

    /** A tight drawing that is the loose one made smaller, to within this share of its size, shows nothing new. */
    private const COPY = 0.06;

    /** @throws Refusal naming the file, the method and what falls short where */
    public static function hold(Method $method, string $file): void
    {
        $fault = new PackFault($file, $method);
        $loose = DiagramBuilder::loose($method, $file);
        $quality = Quality::of($loose, $method->pairs);
        $fault->least(new Saying('knots.measure_paired'), $quality->paired, self::PAIRED, 'knots.least_widths');
        $fault->least(new Saying('knots.measure_angle'), $quality->angle, self::ANGLE, 'knots.least_degrees');
        $fault->least(new Saying('knots.measure_apart', ['near' => $quality->near()]), $quality->apart, self::APART, 'knots.least_widths');
        $fault->least(new Saying('knots.measure_spacing'), $quality->spacing, self::SPACING, 'knots.least_widths');
        if ($method->hasTight()) {
            self::holdTight($method, $fault, $loose, DiagramBuilder::tight($method, $file));
        }
    }

    private static function holdTight(Method $method, PackFault $fault, Diagram $loose, Diagram $tight): void
    {
        $quality = Quality::of($tight);
        $fault->least(new Saying('knots.measure_tight_angle'), $quality->angle, self::TIGHT_ANGLE, 'knots.least_degrees');
        $fault->least(new Saying('knots.measure_tight_apart', ['near' => $quality->near()]), $quality->apart, self::TIGHT_APART, 'knots.least_widths');
        $fault->most(new Saying('knots.measure_tight_length'), self::length($tight) / self::length($loose), self::TIGHT_SHARE);
        if (Fingerprint::of($tight->code())->key() !== Fingerprint::of($loose->code())->key()) {
            throw $fault->drawing(null, new Saying('knots.tight'), new Saying('knots.same_knot'));
        }
        if (self::isCopy($method)) {
            throw $fault->drawing(null, new Saying('knots.tight'), new Saying('knots.no_copy'));
        }
    }

    private static function length(Diagram $diagram): float
    {
        return array_sum(array_map(static fn (Strand $strand): float => $strand->kind->isRope() ? $strand->curve->length() : 0.0, $diagram->strands));
    }

    /** Whether every waypoint of the tight drawing lies where one scale for all would put that of the loose one. */
    private static function isCopy(Method $method): bool
    {
        $loose = [];
        $tight = [];
        foreach ($method->strands as $strand) {
            if ($strand->kind->isRope()) {
                array_push($loose, ...$strand->layout(false));
                array_push($tight, ...$strand->layout(true));
            }
        }
        if (count($loose) !== count($tight)) {
            return false;
        }
        $scale = array_sum(array_map(static fn (Point $a, Point $b): float => $a->dot($b), $loose, $tight)) / max(1e-9, array_sum(array_map(static fn (Point $a): float => $a->dot($a), $loose)));
        $size = max([0.0, ...array_map(static fn (Point $point): float => $point->length(), $tight)]);

        return max([0.0, ...array_map(static fn (Point $a, Point $b): float => $a->times($scale)->distance($b), $loose, $tight)]) < self::COPY * $size;
    }
}
