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
        public bool $inSpace = false,
        public Turn $turn = new Turn,
        public float $tightness = 1.0,
        public bool $grey = false,
    ) {
    }

    /** One drawing: a step from 1, or the finished knot, loose or tight. */
    public static function drawing(string $knot, ?string $method, ?int $step, View $view, bool $tight): self
    {
        return new self($knot, $method, $step, $view, $tight, false);
    }

    /**
     * Ropes in space from one side.
     *
     * @param  ?int  $step  from 1: as far as they have come then; null: all of them
     * @param  float  $tightness  loose (0) to tight (1), where no step is asked for
     * @param  bool  $grey  in the greys of a handout
     */
    public static function inSpace(string $knot, ?string $method, Turn $turn, float $tightness, ?int $step = null, bool $grey = false): self
    {
        return new self($knot, $method, $step, View::Learner, false, false, true, $turn, $tightness, $grey);
    }

    /** @param  list<string>  $arguments KNOT [--method=M] [--step=N] [--view=V] [--tight], KNOT --space [--method=M] [--step=N] [--turn=YAW,PITCH] [--tight=0..1] [--grey], or --sheet */
    public static function fromArguments(array $arguments): self
    {
        $options = [];
        $knots = [];
        foreach ($arguments as $argument) {
            if (str_starts_with($argument, '--')) {
                [$name, $value] = explode('=', substr($argument, 2), 2) + ['', ''];
                if (! in_array($name, ['method', 'step', 'view', 'tight', 'sheet', 'space', 'turn', 'grey'], true)) {
                    throw Refusal::of("--$name", $value, 'drawing.options');
                }
                $options[$name] = $value;
            } else {
                $knots[] = $argument;
            }
        }
        if (count($knots) !== 1 && ! isset($options['sheet'])) {
            throw Refusal::of('KNOT', $knots, 'drawing.one_knot');
        }
        if (isset($options['step']) && ! ctype_digit($options['step'])) {
            throw Refusal::of('--step', $options['step'], 'drawing.step');
        }

        $tightness = ($options['tight'] ?? '') === '' ? '1' : $options['tight'];
        if (! is_numeric($tightness) || $tightness < 0 || $tightness > 1) {
            throw Refusal::of('--tight', $tightness, 'drawing.tight');
        }

        return new self(
            $knots[0] ?? '', $options['method'] ?? null, isset($options['step']) ? (int) $options['step'] : null,
            View::tryFrom($options['view'] ?? 'learner') ?? throw Refusal::of('--view', $options['view'] ?? null, 'drawing.view'),
            isset($options['tight']), isset($options['sheet']), isset($options['space']), self::turn($options['turn'] ?? null), (float) $tightness, isset($options['grey']),
        );
    }

    private static function turn(?string $turn): Turn
    {
        if ($turn === null) {
            return new Turn;
        }
        $angles = explode(',', $turn);
        if (count($angles) !== 2 || ! is_numeric($angles[0]) || ! is_numeric($angles[1]) || abs((float) $angles[0]) > 360 || abs((float) $angles[1]) > 360) {
            throw Refusal::of('--turn', $turn, 'drawing.turn');
        }

        return new Turn((float) $angles[0], (float) $angles[1]);
    }
}
