<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Piece;

/**
 * What a rope, a pole and a mark look like, in rope widths where nothing else is said. The screens draw by these figures too:
 * `npm run types` writes them into resources/js/drawing/look.ts.
 */
final class Look
{
    /** Thickness of a rope's outline. */
    public const OUTLINE = 0.09;

    /** That of a pole, a ring or a stick: thick enough that no side of it pales in a small print. */
    public const WOOD_OUTLINE = 0.16;

    /** How far bodies stop short of the ends of their pieces, where these overlap. */
    public const LAP = Piece::LAP - 0.04;

    /** An outline stops this much short of the body where the rope goes on, so that no line shows across it. */
    public const SEAM = 0.03;

    /** The light on a rope lies along its upper side: its share of the width, how strong, and how far aside. */
    public const SHEEN = ['share' => 0.34, 'opacity' => 0.85, 'x' => -0.13, 'y' => -0.15];

    /** Tape is flat, and lies light between its two selvedges. */
    public const TAPE_SHEEN = ['share' => 0.66, 'opacity' => 0.6];

    /** The light ends this far before the end of a rope. */
    public const SHEEN_ENDS = 0.3;

    /** The second rope's stripe: dashes at whole lengths along the rope. */
    public const TRACER = ['width' => 0.2, 'dash' => 0.55];

    /** How much of a tail is whipped, and where its turns show, measured back from the end. */
    public const WHIPPING = ['length' => 1.3, 'turns' => [0.3, 0.62, 0.94], 'turn' => 0.08, 'opacity' => 0.6];

    /** Arrowheads lie this far apart along a move, begin after its start and stop before its end. */
    public const ARROWS = ['first' => 1.1, 'apart' => 1.5, 'last' => 1.6, 'back' => 0.24, 'front' => 0.15, 'width' => 0.16];

    /** The grain of wood: lines at these shares of its width from the middle, each with the next of the patterns. */
    public const GRAIN = ['shares' => [-0.31, -0.13, 0.09, 0.25, 0.39], 'dashes' => ['5 1.5 2 3', '3 2 6 2.5', '7 3 2.5 1'], 'width' => 0.11, 'shift' => 1.7];

    /** Where a rope runs on out of the picture it fades within this box, which lies along it. */
    public const FADE = ['x' => -0.2, 'y' => -0.8, 'width' => 2.2, 'height' => 1.6];

    /** A ring about a crossing. */
    public const RING = ['radius' => 1.9, 'width' => 0.3];

    /** In space a knot shows the most of itself turned so far to the right, and with its top so far toward one, in degrees. */
    public const SIDE = ['yaw' => 28.0, 'pitch' => -24.0];

    /** The tip of a bight reaches ahead by this share of the way between its sides. */
    public const TIP = PartialDiagram::AHEAD;
}
