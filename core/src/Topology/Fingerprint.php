<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * The bracket of an open knot over the pairings of its ends, freed of the twists a rope may have in itself, with its ends
 * named: which rope, tail or loaded. Knots that are the same have equal fingerprints; knots with equal fingerprints are not
 * told apart, which is less than being the same.
 */
final readonly class Fingerprint
{
    /**
     * @param  array<string, Laurent>  $sums by pairing
     * @param  list<StrandEnds>  $strands the open ones
     */
    private function __construct(public array $sums, private array $strands)
    {
    }

    public static function of(GaussCode $code): self
    {
        $writhe = $code->selfWrithe();
        // (-A^3)^-w, so that a twist more or less changes nothing.
        $untwist = Laurent::monomial(-3 * $writhe, $writhe % 2 === 0 ? 1 : -1);
        $strands = [];
        foreach ($code->strands as $number => $strand) {
            if (! $strand->closed) {
                $names = $code->endNames($number);
                sort($names);
                $strands[] = new StrandEnds($strand->kind, $names[0], $names[1], $strand->isRope);
            }
        }

        return new self(array_map(static fn (Laurent $sum): Laurent => $sum->times($untwist), StateSum::of($code->tangle())), $strands);
    }

    public function mirrored(): self
    {
        return new self(array_map(static fn (Laurent $sum): Laurent => $sum->mirrored(), $this->sums), $this->strands);
    }

    /**
     * The bracket of the closed diagram that results when ends are joined outside without crossing.
     *
     * @param  list<array{string, string}>  $joins
     */
    public function closed(array $joins): Laurent
    {
        $circle = Laurent::of([2 => -1, -2 => -1]);
        $sum = Laurent::zero();
        foreach ($this->sums as $pairing => $value) {
            $sum = $sum->plus($value->times($circle->power(Pairing::circles(Pairing::pairs($pairing), $joins) - 1)));
        }

        return $sum;
    }

    /**
     * The same for fingerprints that differ only in the numbering of ropes and objects of one kind, and in which end of an
     * object is called which.
     */
    public function key(): string
    {
        $keys = [];
        foreach ($this->renamings() as $names) {
            $lines = [];
            foreach ($this->sums as $pairing => $sum) {
                $pairs = array_map(static fn (array $pair): array => [$names[$pair[0]] ?? $pair[0], $names[$pair[1]] ?? $pair[1]], Pairing::pairs($pairing));
                $lines[] = Pairing::key($pairs).'='.$sum->key();
            }
            sort($lines);
            $keys[] = implode(';', $lines);
        }
        sort($keys);
        $kinds = array_map(static fn (StrandEnds $strand): string => $strand->kind, $this->strands);
        sort($kinds);

        return implode(' ', $kinds).'|'.($keys[0] ?? '');
    }

    /** @return list<array<string, string>> new name by old name */
    private function renamings(): array
    {
        $byKind = [];
        foreach ($this->strands as $strand) {
            $byKind[$strand->kind][] = $strand;
        }
        ksort($byKind);
        $renamings = [[]];
        foreach (array_values($byKind) as $group => $strands) {
            $more = [];
            foreach ($renamings as $names) {
                foreach (self::arrangements($strands) as $arrangement) {
                    $now = $names;
                    foreach ($arrangement as $place => [$first, $second]) {
                        $now[$first] = "{$group}_{$place}a";
                        $now[$second] = "{$group}_{$place}b";
                    }
                    $more[] = $now;
                }
            }
            $renamings = $more;
        }

        return $renamings;
    }

    /**
     * Every order of some strands of one kind; objects also with their ends the other way round.
     *
     * @param  list<StrandEnds>  $strands
     * @return list<list<array{string, string}>>
     */
    private static function arrangements(array $strands): array
    {
        if ($strands === []) {
            return [[]];
        }
        $arrangements = [];
        foreach ($strands as $place => $strand) {
            $rest = $strands;
            array_splice($rest, $place, 1);
            foreach (self::arrangements($rest) as $others) {
                foreach ($strand->ways() as $way) {
                    $arrangements[] = [$way, ...$others];
                }
            }
        }

        return $arrangements;
    }
}
