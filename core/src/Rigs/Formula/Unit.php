<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Formula;

/**
 * What a value is measured in: a length and a force to some power each, an angle, or no number at all. Values are kept in mm, N and
 * N per mm; only words for people and answers from them are in N per metre.
 */
final readonly class Unit
{
    /** The words of packs, each with its kind, its power of length and its power of force. */
    private const WORDS = [
        'mm' => ['number', 1.0, 0.0], 'n' => ['number', 0.0, 1.0], 'n_per_m' => ['number', -1.0, 1.0], 'ratio' => ['number', 0.0, 0.0],
        'share' => ['number', 0.0, 0.0], 'count' => ['number', 0.0, 0.0], 'deg' => ['angle', 0.0, 0.0], 'yes' => ['yes', 0.0, 0.0], 'text' => ['text', 0.0, 0.0],
    ];

    private function __construct(private string $kind, private float $length, private float $force)
    {
    }

    /** @param  key-of<self::WORDS>  $word */
    public static function of(string $word): self
    {
        return new self(...self::WORDS[$word]);
    }

    /** How many of the kept measure one of a word's is: answers in N per metre are kept in N per mm. */
    public static function scale(string $word): float
    {
        return $word === 'n_per_m' ? 0.001 : 1.0;
    }

    public function isNumber(): bool
    {
        return $this->kind === 'number';
    }

    public function is(self $other): bool
    {
        return $this->kind === $other->kind && abs($this->length - $other->length) + abs($this->force - $other->force) < 1e-9;
    }

    public function times(self $other): self
    {
        return new self('number', $this->length + $other->length, $this->force + $other->force);
    }

    public function power(float $exponent): self
    {
        return new self('number', $this->length * $exponent, $this->force * $exponent);
    }

    /** As it stands in messages. */
    public function words(): string
    {
        foreach (self::WORDS as $word => $of) {
            if ($this->is(new self(...$of))) {
                return $word;
            }
        }

        return sprintf('mm^%g n^%g', $this->length, $this->force);
    }
}
