<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * Words the faults of a knot pack: which file, which strand, which crossing, and what was expected.
 */
final readonly class PackFault
{
    public function __construct(private string $file, private Method $method)
    {
    }

    public function strand(int $number, mixed $value, string $expected): Refusal
    {
        return $this->refusal($number, '', $value, $expected);
    }

    /** @param  int  $order the crossing's place along the strand, from 1 */
    public function crossing(int $number, int $order, mixed $value, string $expected): Refusal
    {
        return $this->refusal($number, ", crossing $order", $value, $expected);
    }

    public function step(int $number, mixed $value, string $expected): Refusal
    {
        return Refusal::saying(
            "{$this->method->place}/steps/$number", $value, $expected,
            sprintf('%smethod "%s", step %d: expected %s.', $this->where(), $this->method->id, $number + 1, $expected),
        );
    }

    /** @throws Refusal where a measure of a drawing is too small */
    public function least(string $measure, float $value, float $least, string $unit): void
    {
        // Measured in small steps: a hair below is not told apart from at the limit.
        if ($value < $least - 0.01) {
            throw $this->drawing(sprintf('%s %.2f %s', $measure, $value, $unit), sprintf('at least %.2f %s', $least, $unit));
        }
    }

    /** @throws Refusal where a measure of a drawing is too large */
    public function most(string $measure, float $value, float $most): void
    {
        if ($value > $most + 0.005) {
            throw $this->drawing(sprintf('%s %.2f', $measure, $value), sprintf('at most %.2f', $most));
        }
    }

    public function drawing(string $found, string $expected): Refusal
    {
        return Refusal::saying("{$this->method->place}/strands", $found, $expected, sprintf('%smethod "%s": %s; expected %s.', $this->where(), $this->method->id, $found, $expected));
    }

    private function refusal(int $number, string $more, mixed $value, string $expected): Refusal
    {
        $strand = $this->method->strands[$number];

        return Refusal::saying(
            "{$this->method->place}/strands/$number/word", $value, $expected,
            sprintf('%smethod "%s", strand "%s"%s: expected %s.', $this->where(), $this->method->id, $strand->id, $more, $expected),
        );
    }

    private function where(): string
    {
        return $this->file === '' ? '' : $this->file.', ';
    }
}
