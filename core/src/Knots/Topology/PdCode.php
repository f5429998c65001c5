<?php

declare(strict_types=1);

namespace Compadre\Core\Knots\Topology;

use Compadre\Core\Refusal;

/**
 * The planar diagram code of a closed diagram: for each crossing its four edges, counter-clockwise from the one that
 * arrives underneath. The empty code is the unknot. Directions of travel follow from the edges that pass underneath; a
 * component that lies on top everywhere is taken in the direction of its numbers.
 */
final readonly class PdCode
{
    /**
     * @param  list<array{int, int, int, int}>  $crossings
     * @param  list<int>  $signs +1 or -1 for each crossing
     * @param  array<int, int>  $componentOf by edge, numbered from 0
     */
    private function __construct(public array $crossings, public array $signs, public array $componentOf)
    {
    }

    /**
     * @param  list<array{int, int, int, int}>  $crossings edges from 1 to twice the number of crossings
     *
     * @throws Refusal naming the crossing and the edge
     */
    public static function of(array $crossings, string $field = '/pd'): self
    {
        $places = self::places($crossings, $field);
        $signs = Orientation::signs($crossings, $places, $field);
        self::holdPlanar($crossings, $places, $field);

        return new self($crossings, $signs, self::byComponent($crossings));
    }

    public function writhe(): int
    {
        return array_sum($this->signs);
    }

    public function components(): int
    {
        return $this->crossings === [] ? 1 : count(array_unique($this->componentOf));
    }

    /** @return array<string, int> the linking number of each pair of components, such as "0-1" */
    public function linking(): array
    {
        $sums = [];
        foreach ($this->crossings as $number => [$under, $over]) {
            $pair = [$this->componentOf[$under], $this->componentOf[$over]];
            sort($pair);
            if ($pair[0] !== $pair[1]) {
                $key = implode('-', $pair);
                $sums[$key] = ($sums[$key] ?? 0) + $this->signs[$number];
            }
        }

        return array_map(static fn (int $sum): int => intdiv($sum, 2), $sums);
    }

    /** Kauffman's bracket in A, 1 for a plain circle. */
    public function bracket(): Laurent
    {
        if ($this->crossings === []) {
            return Laurent::monomial(0);
        }
        // The first crossing's first edge is cut, which leaves out one circle everywhere.
        $cut = $this->crossings;
        $edge = $cut[0][0];
        $cut[0][0] = 0;

        return StateSum::of(new Tangle($cut, [0 => 'a', $edge => 'b']))['a-b'] ?? Laurent::zero();
    }

    /**
     * The Jones polynomial: (-A^3)^-w times the bracket, at A = t^(-1/4).
     *
     * @return Laurent in the square root of t
     */
    public function jones(): Laurent
    {
        $terms = [];
        $writhe = $this->writhe();
        foreach ($this->bracket()->terms as $exponent => $coefficient) {
            $terms[intdiv(-($exponent - 3 * $writhe), 2)] = $writhe % 2 === 0 ? $coefficient : -$coefficient;
        }

        return Laurent::of($terms);
    }

    /**
     * @param  list<array{int, int, int, int}>  $crossings
     * @return array<int, list<array{int, int}>> crossing and slot of both appearances, by edge
     */
    private static function places(array $crossings, string $field): array
    {
        $places = [];
        $most = 2 * count($crossings);
        foreach ($crossings as $number => $edges) {
            foreach ($edges as $slot => $edge) {
                if ($edge < 1 || $edge > $most) {
                    throw Refusal::of("$field/$number/$slot", $edge, "an edge from 1 to $most");
                }
                $places[$edge][] = [$number, $slot];
                if (count($places[$edge]) > 2) {
                    throw Refusal::of("$field/$number/$slot", $edge, 'each edge exactly twice');
                }
            }
        }
        foreach ($places as $edge => $found) {
            if (count($found) !== 2) {
                throw Refusal::of("$field/{$found[0][0]}/{$found[0][1]}", $edge, 'each edge exactly twice');
            }
        }

        return $places;
    }

    /**
     * By Euler: a diagram in the plane has two more regions than crossings for each of its connected parts.
     *
     * @param  list<array{int, int, int, int}>  $crossings
     * @param  array<int, list<array{int, int}>>  $places
     */
    private static function holdPlanar(array $crossings, array $places, string $field): void
    {
        $seen = [];
        $regions = 0;
        foreach ($crossings as $number => $edges) {
            foreach (array_keys($edges) as $slot) {
                if (isset($seen["$number.$slot"])) {
                    continue;
                }
                $regions++;
                [$c, $s] = [$number, $slot];
                do {
                    $seen["$c.$s"] = true;
                    // Along the edge to its other appearance, then on to the next edge round that crossing.
                    [$first, $second] = $places[$crossings[$c][$s]] + [[0, 0], [0, 0]];
                    [$c, $s] = $first === [$c, $s] ? $second : $first;
                    $s = ($s + 1) % 4;
                } while (! isset($seen["$c.$s"]));
            }
        }
        $parts = count(array_unique(Joined::sets(array_keys($crossings), array_map(
            static fn (array $found): array => [$found[0][0], $found[1][0]], array_values($places),
        ))));
        if ($regions !== count($crossings) + 2 * $parts) {
            throw Refusal::of($field, count($crossings), sprintf('a diagram that lies in the plane: %d regions, not the %d found', count($crossings) + 2 * $parts, $regions));
        }
    }

    /**
     * @param  list<array{int, int, int, int}>  $crossings
     * @return array<int, int>
     */
    private static function byComponent(array $crossings): array
    {
        $edges = [];
        $pairs = [];
        foreach ($crossings as [$i, $j, $k, $l]) {
            array_push($edges, $i, $j, $k, $l);
            array_push($pairs, [$i, $k], [$j, $l]);
        }
        sort($edges);
        $leaders = Joined::sets(array_values(array_unique($edges)), $pairs);
        $numbers = array_flip(array_values(array_unique($leaders)));

        return array_map(static fn (int $leader): int => (int) $numbers[$leader], $leaders);
    }
}
