<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

use OverflowException;

/**
 * A Laurent polynomial in one variable with whole coefficients, exact: a sum beyond 64 bits is refused, never rounded.
 */
final readonly class Laurent
{
    /** @param  array<int, int>  $terms coefficient by exponent, none of them zero, exponents ascending */
    private function __construct(public array $terms)
    {
    }

    /** @param  array<int, int>  $terms coefficient by exponent */
    public static function of(array $terms): self
    {
        $terms = array_filter($terms, static fn (int $coefficient): bool => $coefficient !== 0);
        ksort($terms);

        return new self($terms);
    }

    public static function zero(): self
    {
        return new self([]);
    }

    public static function monomial(int $exponent, int $coefficient = 1): self
    {
        return self::of([$exponent => $coefficient]);
    }

    public function isZero(): bool
    {
        return $this->terms === [];
    }

    public function plus(self $other): self
    {
        $terms = $this->terms;
        foreach ($other->terms as $exponent => $coefficient) {
            $terms[$exponent] = self::exact(($terms[$exponent] ?? 0) + $coefficient);
        }

        return self::of($terms);
    }

    public function times(self $other): self
    {
        $terms = [];
        foreach ($this->terms as $a => $coefficient) {
            foreach ($other->terms as $b => $factor) {
                $terms[$a + $b] = self::exact(($terms[$a + $b] ?? 0) + $coefficient * $factor);
            }
        }

        return self::of($terms);
    }

    public function power(int $exponent): self
    {
        $result = self::monomial(0);
        for ($n = 0; $n < $exponent; $n++) {
            $result = $result->times($this);
        }

        return $result;
    }

    /** The variable replaced by its inverse. */
    public function mirrored(): self
    {
        $terms = [];
        foreach ($this->terms as $exponent => $coefficient) {
            $terms[-$exponent] = $coefficient;
        }

        return self::of($terms);
    }

    public function equals(self $other): bool
    {
        return $this->terms === $other->terms;
    }

    /** A writing that is the same for equal polynomials alone, such as "-4:1,12:-1". */
    public function key(): string
    {
        $parts = [];
        foreach ($this->terms as $exponent => $coefficient) {
            $parts[] = "$exponent:$coefficient";
        }

        return implode(',', $parts);
    }

    /** PHP turns a sum of whole numbers that leaves 64 bits into a float; that is told apart here. */
    public static function exact(int|float $value): int
    {
        return is_int($value) ? $value : throw new OverflowException('A coefficient went beyond 64 bits.');
    }
}
