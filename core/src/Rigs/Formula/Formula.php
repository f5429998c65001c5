<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Formula;

use Compadre\Core\Refusal;
use DivisionByZeroError;
use Symfony\Component\ExpressionLanguage\Node\Node;

/**
 * A formula of a rig's pack that has been read and whose units fit.
 */
final readonly class Formula
{
    /**
     * @param  array<string, array{evaluator: callable}>  $functions
     * @param  list<string>  $names  that stand in it
     */
    public function __construct(private string $text, private Node $tree, private array $functions, public Unit $unit, private string $at, private array $names)
    {
    }

    /**
     * @param  array<string, float|bool|string>  $values  by name
     *
     * @throws Refusal where the formula comes to no number
     */
    public function number(array $values, RopeAtWork $rope): float
    {
        $value = $this->value($values, $rope);
        if (! is_float($value) && ! is_int($value) || ! is_finite((float) $value)) {
            throw Refusal::of($this->at, $this->text, 'rigs.no_number', ['formula' => $this->text]);
        }

        return (float) $value;
    }

    /** @param  array<string, float|bool|string>  $values */
    public function holds(array $values, RopeAtWork $rope): bool
    {
        return $this->value($values, $rope) === true;
    }

    /** @param  array<string, float|bool|string>  $values  whether all the names in it are among them */
    public function knows(array $values): bool
    {
        return array_diff($this->names, array_keys($values)) === [];
    }

    /** @param  array<string, float|bool|string>  $values */
    private function value(array $values, RopeAtWork $rope): mixed
    {
        try {
            return $this->tree->evaluate($this->functions, $values + [Language::ROPE => $rope]);
        } catch (DivisionByZeroError) {
            return NAN;
        }
    }
}
