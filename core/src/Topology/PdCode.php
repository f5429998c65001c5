<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

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
        self::holdEdges($crossings, $field);
        $signs = Orientation::signs($crossings, $field);
        $handles = Regions::of(new Tangle($crossings, []))->genus();
        if ($handles !== 0) {
            throw Refusal::of($field, count($crossings), 'topology.handles', ['handles' => $handles]);
        }

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

    /** @param  list<array{int, int, int, int}>  $crossings */
    private static function holdEdges(array $crossings, string $field): void
    {
        $most = 2 * count($crossings);
        $seen = [];
        foreach ($crossings as $number => $edges) {
            foreach ($edges as $slot => $edge) {
                if ($edge < 1 || $edge > $most) {
                    throw Refusal::of("$field/$number/$slot", $edge, 'topology.edge_number', ['most' => $most]);
                }
                $seen[$edge][] = "$number/$slot";
                if (count($seen[$edge]) > 2) {
                    throw Refusal::of("$field/$number/$slot", $edge, 'topology.twice');
                }
            }
        }
        foreach ($seen as $edge => $places) {
            if (count($places) === 1) {
                throw Refusal::of("$field/{$places[0]}", $edge, 'topology.twice');
            }
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
        $leaders = Joined::sets($edges, $pairs);
        $numbers = array_flip(array_values(array_unique($leaders)));

        return array_map(static fn (int $leader): int => (int) $numbers[$leader], $leaders);
    }
}
