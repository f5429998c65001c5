<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Formula;

use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;
use Symfony\Component\ExpressionLanguage\ExpressionLanguage;
use Symfony\Component\ExpressionLanguage\Node\BinaryNode;
use Symfony\Component\ExpressionLanguage\Node\ConditionalNode;
use Symfony\Component\ExpressionLanguage\Node\ConstantNode;
use Symfony\Component\ExpressionLanguage\Node\FunctionNode;
use Symfony\Component\ExpressionLanguage\Node\NameNode;
use Symfony\Component\ExpressionLanguage\Node\Node;
use Symfony\Component\ExpressionLanguage\Node\UnaryNode;
use Symfony\Component\ExpressionLanguage\SyntaxError;

/**
 * The language that rigs write their formulas in: numbers, names, + - * / **, comparisons, and, or, not, a ? b : c, and the functions
 * of Functions. Nothing else is let in, and units must fit: millimetres are not added to newtons.
 */
final class Language
{
    /** The name under which functions find the rope; no pack can write it. */
    public const ROPE = ' rope';

    private ExpressionLanguage $language;

    /** @var array<string, array{evaluator: callable}> */
    private array $evaluators = [];

    public function __construct(private readonly Functions $functions)
    {
        $this->language = new ExpressionLanguage;
        foreach ($functions->all() as $name => $function) {
            $evaluator = static fn (array $values, mixed ...$arguments): mixed => $function($values[self::ROPE], ...$arguments);
            $this->language->register($name, static fn (): string => '', $evaluator);
            $this->evaluators[$name] = ['evaluator' => $evaluator];
        }
    }

    /**
     * @param  array<string, Unit>  $names  that the formula may use
     * @param  string  $at  where the formula stands, for the refusal
     *
     * @throws Refusal for what is no formula, an unknown name or function, or units that do not fit
     */
    public function read(string $text, array $names, string $at, ?Unit $wanted = null): Formula
    {
        try {
            $tree = $this->language->parse($text, array_keys($names))->getNodes();
        } catch (SyntaxError $fault) {
            throw Refusal::of($at, $text, 'rigs.no_formula', ['formula' => $text, 'why' => $fault->getMessage()]);
        }
        $unit = $this->unit($tree, $names, $text, $at);
        if ($wanted !== null && ! $unit->is($wanted)) {
            throw self::misfit($at, $text, new Saying('rigs.unfit_result', ['unit' => $unit->words(), 'wanted' => $wanted->words()]));
        }

        return new Formula($text, $tree, $this->evaluators, $unit, $at, self::names($tree));
    }

    /** @param  array<string, Unit>  $names */
    private function unit(Node $node, array $names, string $text, string $at): Unit
    {
        $units = array_map(fn (Node $part): Unit => $this->unit($part, $names, $text, $at), self::parts($node));

        return match (true) {
            $node instanceof ConstantNode => self::constant($node, $text, $at),
            $node instanceof NameNode => $names[self::word($node, 'name')],
            $node instanceof UnaryNode => $this->unary(self::word($node, 'operator'), $units[0], $text, $at),
            $node instanceof BinaryNode => $this->binary($node, $units[0], $units[1], $text, $at),
            $node instanceof ConditionalNode => $units[0]->is(Unit::of('yes')) && $units[1]->is($units[2]) ? $units[1]
                : throw self::misfit($at, $text, new Saying('rigs.unfit_choice')),
            $node instanceof FunctionNode => $this->called($node, $units, $text, $at),
            default => throw self::misfit($at, $text, new Saying('rigs.unfit_part')),
        };
    }

    /** @return list<string> that stand in it, each once */
    private static function names(Node $node): array
    {
        if ($node instanceof NameNode) {
            return [self::word($node, 'name')];
        }

        return array_values(array_unique(array_merge([], ...array_map(self::names(...), self::parts($node)))));
    }

    /** @return list<Node> what a node is made of: of a call what is handed over */
    private static function parts(Node $node): array
    {
        $arguments = $node->nodes['arguments'] ?? null;
        $nodes = $node instanceof FunctionNode && $arguments instanceof Node ? $arguments->nodes : $node->nodes;

        return array_values(array_filter($nodes, static fn (mixed $part): bool => $part instanceof Node));
    }

    private static function word(Node $node, string $attribute): string
    {
        $word = $node->attributes[$attribute] ?? '';

        return is_string($word) ? $word : '';
    }

    private static function constant(ConstantNode $node, string $text, string $at): Unit
    {
        $value = $node->attributes['value'] ?? null;

        return match (true) {
            is_bool($value) => Unit::of('yes'),
            is_string($value) => Unit::of('text'),
            is_int($value) || is_float($value) => Unit::of('ratio'),
            default => throw self::misfit($at, $text, new Saying('rigs.unfit_value')),
        };
    }

    private function unary(string $operator, Unit $unit, string $text, string $at): Unit
    {
        return match (true) {
            in_array($operator, ['-', '+'], true) && $unit->isNumber() => $unit,
            in_array($operator, ['not', '!'], true) && $unit->is(Unit::of('yes')) => $unit,
            default => throw self::misfit($at, $text, new Saying('rigs.unfit_with', ['operator' => $operator, 'unit' => $unit->words()])),
        };
    }

    private function binary(BinaryNode $node, Unit $left, Unit $right, string $text, string $at): Unit
    {
        $operator = self::word($node, 'operator');
        $power = $node->nodes['right'] ?? null;
        $exponent = $power instanceof ConstantNode ? $power->attributes['value'] ?? null : null;
        $numbers = $left->isNumber() && $right->isNumber();
        $yes = Unit::of('yes');

        return match (true) {
            in_array($operator, ['+', '-'], true) && $numbers && $left->is($right) => $left,
            $operator === '*' && $numbers => $left->times($right),
            $operator === '/' && $numbers => $left->times($right->power(-1.0)),
            $operator === '**' && $numbers && (is_int($exponent) || is_float($exponent)) => $left->power((float) $exponent),
            in_array($operator, ['<', '<=', '>', '>='], true) && $left->is($right) && ! $left->is($yes) => $yes,
            in_array($operator, ['==', '!='], true) && $left->is($right) => $yes,
            in_array($operator, ['and', 'or', '&&', '||'], true) && $left->is($yes) && $right->is($yes) => $yes,
            default => throw self::misfit($at, $text, new Saying('rigs.unfit_between', ['operator' => $operator, 'left' => $left->words(), 'right' => $right->words()])),
        };
    }

    /** @param  list<Unit>  $units */
    private function called(FunctionNode $node, array $units, string $text, string $at): Unit
    {
        $name = self::word($node, 'name');
        if (! $this->functions->has($name)) {
            throw self::misfit($at, $text, new Saying('rigs.unfit_function', ['name' => $name]));
        }
        $gives = $this->functions->unit($name, $units);
        if ($gives === null) {
            $given = array_map(static fn (Unit $unit): string => $unit->words(), $units);

            throw self::misfit($at, $text, new Saying('rigs.unfit_given', ['name' => $name, 'takes' => $this->functions->takes($name), 'given' => $given]));
        }
        foreach (self::parts($node) as $place => $argument) {
            if ($argument instanceof ConstantNode && $units[$place]->is(Unit::of('text'))) {
                $this->functions->holdWord($name, $place, self::word($argument, 'value'), $at);
            }
        }

        return $gives;
    }

    private static function misfit(string $at, string $text, Saying $why): Refusal
    {
        return Refusal::of($at, $text, 'rigs.units', ['formula' => $text, 'why' => $why]);
    }
}
