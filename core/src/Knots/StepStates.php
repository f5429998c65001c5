<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Words\Saying;

/**
 * The state of a drawing at each step of its method. A rope's end only ever travels forward.
 */
final class StepStates
{
    /** An end lying this close to a crossing (rope widths) would hide which way it went. */
    public const CLEAR = 0.9;

    /** @return list<StepState> */
    public static function of(Method $method, Diagram $diagram, string $file = ''): array
    {
        $fault = new PackFault($file, $method);
        $ropes = self::ropes($diagram);
        $reach = [];
        $far = [];
        foreach ($ropes as $id => $rope) {
            $reach[$id] = $rope->curve->lengthAt($method->start[$id] ?? 0.0);
            $far[$id] = $rope->farSide($method->start[$id] ?? 0.0);
        }
        $states = [];
        foreach ($method->steps as $number => $step) {
            $moved = [];
            $before = $far;
            foreach ($step->reach as $id => $waypoint) {
                $rope = $ropes[$id] ?? throw $fault->step($number, $id, new Saying('knots.step_rope', ['list' => array_keys($ropes)]));
                $last = $rope->bight ?? count($rope->curve->cubics);
                if ($waypoint < 0 || $waypoint > $last) {
                    throw $fault->step($number, $waypoint, new Saying('knots.step_waypoint', ['rope' => $id, 'last' => $last]));
                }
                $to = $rope->curve->lengthAt($waypoint);
                if ($to < $reach[$id] - 1e-9) {
                    throw $fault->step($number, $waypoint, new Saying('knots.step_back', ['rope' => $id]));
                }
                $far[$id] = $rope->farSide($waypoint);
                foreach ([$to, $far[$id]] as $end) {
                    self::holdClear($diagram, $id, $end ?? $to, $fault, $number, $waypoint);
                }
                if ($to > $reach[$id] + 1e-9) {
                    $moved[$id] = [$reach[$id], $to];
                }
                $reach[$id] = $to;
            }
            $states[] = new StepState($step, $reach + self::absent($diagram, $number + 1), $moved, self::farSides($before, $far, $ropes));
        }
        foreach ($ropes as $id => $rope) {
            if ($method->steps !== [] && $reach[$id] < ($far[$id] ?? $rope->curve->length()) - 1e-6) {
                throw $fault->step(count($method->steps) - 1, $id, new Saying('knots.step_all', ['rope' => $id]));
            }
        }

        return $states;
    }

    /** @return array<string, float> nothing of every object that is brought in later */
    private static function absent(Diagram $diagram, int $step): array
    {
        $absent = [];
        foreach ($diagram->strands as $strand) {
            if (! $strand->kind->isRope() && $strand->appears > $step) {
                $absent[$strand->id] = 0.0;
            }
        }

        return $absent;
    }

    /**
     * @param  array<string, ?float>  $before
     * @param  array<string, ?float>  $after
     * @param  array<string, Strand>  $ropes
     * @return array<string, array{float, float}>
     */
    private static function farSides(array $before, array $after, array $ropes): array
    {
        $sides = [];
        foreach ($after as $id => $to) {
            if ($to !== null) {
                $sides[$id] = [$before[$id] ?? $ropes[$id]->curve->length(), $to];
            }
        }

        return $sides;
    }

    private static function holdClear(Diagram $diagram, string $id, float $to, PackFault $fault, int $step, float $waypoint): void
    {
        foreach ($diagram->strands as $number => $strand) {
            foreach ($strand->id === $id ? $diagram->visits($number) : [] as $order => $visit) {
                $other = $diagram->strands[$visit->other];
                if ($other->kind->isRope() && abs($visit->at - $to) < self::CLEAR) {
                    throw $fault->step($step, $waypoint, new Saying('knots.step_clear', ['rope' => $id, 'least' => sprintf('%.1f', self::CLEAR), 'crossing' => $order + 1]));
                }
            }
        }
    }

    /** @return array<string, Strand> */
    private static function ropes(Diagram $diagram): array
    {
        $ropes = [];
        foreach ($diagram->strands as $strand) {
            if ($strand->kind->isRope()) {
                $ropes[$strand->id] = $strand;
            }
        }

        return $ropes;
    }
}
