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
