<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * Words the faults of a knot pack: which file, which strand, which crossing, and what was expected.
 */
final readonly class PackFault
{
    public function __construct(private string $file, private Method $method)
    {
    }

    public function strand(int $number, mixed $value, Saying $expected): Refusal
    {
        return $this->refusal("strands/$number/word", $value, 'knots.fault_strand', ['strand' => $this->method->strands[$number]->id, 'expected' => $expected]);
    }

    /** @param  int  $order the crossing's place along the strand, from 1 */
    public function crossing(int $number, int $order, mixed $value, Saying $expected): Refusal
    {
        return $this->refusal("strands/$number/word", $value, 'knots.fault_crossing', ['strand' => $this->method->strands[$number]->id, 'crossing' => $order, 'expected' => $expected]);
    }

    public function step(int $number, mixed $value, Saying $expected): Refusal
    {
        return $this->refusal("steps/$number", $value, 'knots.fault_step', ['step' => $number + 1, 'expected' => $expected]);
    }

    /**
     * @param  string  $expected  the code of a message that asks for {least}
     *
     * @throws Refusal where a measure of a drawing is too small
     */
    public function least(Saying $measure, float $value, float $least, string $expected): void
    {
        // Measured in small steps: a hair below is not told apart from at the limit.
        if ($value < $least - 0.01) {
            throw $this->drawing($value, new Saying('knots.measured', ['measure' => $measure, 'value' => sprintf('%.2f', $value)]), new Saying($expected, ['least' => sprintf('%.2f', $least)]));
        }
    }

    /** @throws Refusal where a measure of a drawing is too large */
    public function most(Saying $measure, float $value, float $most): void
    {
        if ($value > $most + 0.005) {
            throw $this->drawing($value, new Saying('knots.measured', ['measure' => $measure, 'value' => sprintf('%.2f', $value)]), new Saying('any.at_most', ['most' => sprintf('%.2f', $most)]));
        }
    }

    public function drawing(?float $value, Saying $found, Saying $expected): Refusal
    {
        return $this->refusal('strands', $value, 'knots.fault_drawing', ['found' => $found, 'expected' => $expected]);
    }

    /** @param  array<string, string|int|Saying>  $parameters */
    private function refusal(string $place, mixed $value, string $code, array $parameters): Refusal
    {
        $refusal = Refusal::of("{$this->method->place}/$place", $value, $code, ['method' => $this->method->id] + $parameters);

        return $this->file === '' ? $refusal : $refusal->in($this->file);
    }
}
