<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

use Compadre\Core\Knots\View;
use Compadre\Core\Refusal;

/**
 * What the draw command was asked for.
 */
final readonly class SheetRequest
{
    private function __construct(
        public string $knot,
        public ?string $method,
        public ?int $step,
        public View $view,
        public bool $tight,
        public bool $whole,
    ) {
    }

    /** One drawing: a step from 1, or the finished knot, loose or tight. */
    public static function drawing(string $knot, ?string $method, ?int $step, View $view, bool $tight): self
    {
        return new self($knot, $method, $step, $view, $tight, false);
    }

    /** @param  list<string>  $arguments KNOT [--method=M] [--step=N] [--view=V] [--tight], or --sheet */
    public static function fromArguments(array $arguments): self
    {
        $options = [];
        $knots = [];
        foreach ($arguments as $argument) {
            if (str_starts_with($argument, '--')) {
                [$name, $value] = explode('=', substr($argument, 2), 2) + ['', ''];
                if (! in_array($name, ['method', 'step', 'view', 'tight', 'sheet'], true)) {
                    throw Refusal::of("--$name", $value, 'only --method=, --step=, --view=, --tight or --sheet');
                }
                $options[$name] = $value;
            } else {
                $knots[] = $argument;
            }
        }
        if (count($knots) !== 1 && ! isset($options['sheet'])) {
            throw Refusal::of('KNOT', $knots, 'the id of one knot');
        }
        if (isset($options['step']) && ! ctype_digit($options['step'])) {
            throw Refusal::of('--step', $options['step'], 'a step number from 1');
        }

        return new self(
            $knots[0] ?? '', $options['method'] ?? null, isset($options['step']) ? (int) $options['step'] : null,
            View::tryFrom($options['view'] ?? 'learner') ?? throw Refusal::of('--view', $options['view'] ?? null, 'learner, across, behind or left'),
            isset($options['tight']), isset($options['sheet']),
        );
    }
}
