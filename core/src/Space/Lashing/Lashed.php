<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Refusal;
use Compadre\Core\Space\Clearance;
use Compadre\Core\Space\Form;
use Compadre\Core\Space\Gripping;
use Compadre\Core\Space\KeptForm;
use Compadre\Core\Space\KeyFrames;
use Compadre\Core\Space\RopeOnRope;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Tightening;
use Compadre\Core\Space\Touch;

/**
 * Makes a lashing's form in space: built turn by turn on its poles, and drawn up by what draws up knots, with the grip of rope
 * on wood and of rope on rope.
 */
final class Lashed
{
    /** How loosely it is built: from turn to turn, and from the poles. */
    private const LANE = 1.3;

    private const OFF = 0.65;

    private const SPACING = 0.4;

    /** And in what is kept. */
    private const KEPT = 0.38;

    /** Points are so far apart while a frame is given its last room. */
    private const FINE = 0.2;

    /** And it is given so much more room than a rope is thick. */
    private const ROOM = 1.06;

    private const ROUNDS = 1600;

    private const SETTLING = 120;

    private const FRAMES = 5;

    /** A state is remembered when the rope has got shorter by this share. */
    private const STEP = 0.004;

    /** Poles reach so far beyond the rope. */
    private const BEYOND = 2.0;

    /** Poles of the pictures are so many ropes thick, as poles of 50 mm are for rope of 6 mm. */
    private const PICTURED = 8.0;

    /** The lashing as the pictures show it. */
    public static function pictured(LashingKind $kind): Recipe
    {
        return Recipe::of($kind, array_fill(0, $kind->poles(), self::PICTURED), 1.0, $kind === LashingKind::TripodWoven ? 3 : null);
    }

    /** @return list<Pole> */
    public static function poles(Recipe $recipe): array
    {
        return match ($recipe->kind) {
            LashingKind::Square => SquareLashing::poles($recipe),
            LashingKind::Diagonal => DiagonalLashing::poles($recipe),
            LashingKind::Shear, LashingKind::TripodPlain, LashingKind::TripodWoven => SideBySide::poles($recipe),
        };
    }

    /** @return array{SpaceStrand, array<string, float>} the rope as it is wound, and the share of it up to the end of each step */
    public static function wound(Recipe $recipe): array
    {
        $rope = new Winding(self::LANE, self::OFF);
        match ($recipe->kind) {
            LashingKind::Square => SquareLashing::wind($recipe, $rope),
            LashingKind::Diagonal => DiagonalLashing::wind($recipe, $rope),
            LashingKind::Shear, LashingKind::TripodPlain, LashingKind::TripodWoven => SideBySide::wind($recipe, $rope),
        };
        [$points, $laid] = $rope->line();

        return [new SpaceStrand('rope', false, $points), $laid];
    }

    /** @throws Refusal where the poles and turns make no lashing whose rope keeps clear of itself */
    public static function of(Recipe $recipe): KeptForm
    {
        [$rope, $laid] = self::wound($recipe);
        $poles = self::poles($recipe);
        $solids = self::solids($poles, $rope);
        $tightening = new Tightening([$rope], self::SPACING, $solids, [], self::touches($solids));
        $tightening->settle(self::SETTLING);
        [$states, $lengths] = KeyFrames::drawnUp($tightening, self::ROUNDS, self::STEP);
        $frames = [];
        foreach (KeyFrames::chosen($lengths, self::FRAMES) as $index) {
            $frames[] = self::settled($states[$index], $solids);
        }
        $frames = self::alike($frames, $poles);
        $form = new Form($frames, $solids, [], 0, true);
        if (! self::holds($form, $recipe)) {
            throw Refusal::of('/lashing', $recipe->kind->value, 'space.wound');
        }

        return new KeptForm($form, SpaceStrand::lengthOf($form->tight()) - 2 * Winding::TAIL, $laid);
    }

    /**
     * Ropes with a little more room than they need: what is kept has fewer points, and cuts bends short.
     *
     * @param  list<SpaceStrand>  $ropes
     * @param  list<Solid>  $solids
     * @return list<SpaceStrand>
     */
    private static function settled(array $ropes, array $solids): array
    {
        $smaller = static fn (SpaceStrand $rope): SpaceStrand => $rope->scaled(1 / self::ROOM);
        $settling = new Tightening(array_map($smaller, $ropes), self::FINE, array_map(static fn (Solid $solid): Solid => $solid->scaled(1 / self::ROOM), $solids));
        $settling->settle(self::SETTLING);

        return array_map(static fn (SpaceStrand $rope): SpaceStrand => $rope->scaled(self::ROOM), $settling->strands());
    }

    /**
     * Frames whose points are each of one place of the rope: the tight one's are even, the others' lie the same way between turns.
     *
     * @param  list<list<SpaceStrand>>  $frames
     * @param  list<Pole>  $poles
     * @return non-empty-list<list<SpaceStrand>>
     */
    private static function alike(array $frames, array $poles): array
    {
        $tight = $frames[count($frames) - 1][0];
        $length = $tight->length();
        $places = self::marks($frames, $poles);
        $known = $places[count($places) - 1];
        $count = 1 + (int) ceil($length / self::KEPT);
        $alike = [];
        foreach (array_slice($frames, 0, -1) as $number => [$rope]) {
            $own = $places[$number];
            $lengths = [];
            $run = 0;
            for ($k = 0; $k < $count; $k++) {
                $at = $length * $k / ($count - 1);
                while ($run < count($known) - 2 && $known[$run + 1] < $at) {
                    $run++;
                }
                $share = ($at - $known[$run]) / max(1e-9, $known[$run + 1] - $known[$run]);
                $lengths[] = $own[$run] + ($own[$run + 1] - $own[$run]) * min(1.0, $share);
            }
            $alike[] = [$rope->at($lengths)];
        }

        return [...$alike, [$tight->resampled($count)]];
    }

    /**
     * How far along the rope, in each frame, the same places of it lie.
     *
     * @param  list<list<SpaceStrand>>  $frames
     * @param  list<Pole>  $poles
     * @return list<non-empty-list<float>>
     */
    private static function marks(array $frames, array $poles): array
    {
        $passes = array_map(static fn (array $ropes): array => Passes::places($ropes[0], $poles), $frames);
        if (count(array_unique(array_map(count(...), $passes))) > 1) {
            throw Refusal::of('/lashing', 'turns', 'space.as_wound');
        }
        $throughs = array_map(static fn (array $ropes): array => Passes::throughs($ropes[0]), $frames);
        $areAlike = count(array_unique(array_map(count(...), $throughs))) === 1;
        $marks = [];
        foreach ($frames as $number => $ropes) {
            $own = [0.0, ...$passes[$number], ...($areAlike ? $throughs[$number] : []), $ropes[0]->length()];
            sort($own);
            $marks[] = $own;
        }

        return $marks;
    }

    /** Whether every frame has the word that was wound, and no place of the rope goes through another in between. */
    public static function holds(Form $form, Recipe $recipe): bool
    {
        $poles = self::poles($recipe);
        $word = Passes::ofRope(self::wound($recipe)[0], $poles);
        foreach ($form->frames as $number => $ropes) {
            if (Passes::ofRope($ropes[0], $poles) !== $word || ($number > 0 && ! Clearance::between($form->frames[$number - 1], $ropes))) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Pole>  $poles
     * @return list<Solid>
     */
    private static function solids(array $poles, SpaceStrand $rope): array
    {
        $half = 0.0;
        foreach ($rope->points as [$x, $y]) {
            foreach ($poles as $pole) {
                $half = max($half, abs(($x - $pole->middle[0]) * $pole->way[0] + ($y - $pole->middle[1]) * $pole->way[1]) + self::BEYOND);
            }
        }

        return array_map(static fn (Pole $pole): Solid => $pole->solid($half), $poles);
    }

    /**
     * @param  list<Solid>  $solids
     * @return list<Touch>
     */
    private static function touches(array $solids): array
    {
        return [new RopeOnRope, ...array_map(static fn (Solid $solid): Gripping => new Gripping($solid), $solids)];
    }
}
