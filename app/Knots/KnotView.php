<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\NotHere;
use App\Http\Words;
use App\Models\Group;
use Compadre\Core\Data\Fields;
use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Drawing\Sheet;
use Compadre\Core\Drawing\SheetRequest;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Hold;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Part;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\WrongForm;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Words\Saying;

/**
 * Knots for the screens that show them: words and drawings as the core computes them.
 */
final class KnotView
{
    /** @var array<string, list<WrongForm>> by knot and method: the same from every side */
    private array $wrong = [];

    public function __construct(private readonly Library $library, private readonly Packs $packs, private readonly Drawings $drawings, private readonly KnotIndex $index, private readonly FormFile $forms)
    {
    }

    /** @return list<array<string, mixed>> */
    public function list(): array
    {
        return $this->drawings->kept('list', function (): array {
            $knots = [];
            foreach ($this->library->all() as $knot) {
                if ($knot->isTaught()) {
                    $knots[] = self::about($knot) + ['methods' => array_map(fn (Method $way): string => $way->id, $knot->ways()), 'depth' => $this->library->depth($knot->id), 'in_space' => $this->inSpace($knot), 'loose' => $this->of($knot->id, null, View::Learner->value)['loose']];
                }
            }

            // As they are met: what needs nothing first, then what builds on it, the quicker before the longer.
            usort($knots, fn (array $a, array $b): int => [$a['depth'], $a['minutes'], $a['id']] <=> [$b['depth'], $b['minutes'], $b['id']]);

            return $knots;
        });
    }

    /** @return list<string> the methods that are kept as ropes in space */
    public function inSpace(KnotPack $knot): array
    {
        return array_values(array_map(fn (Method $way): string => $way->id, array_filter($knot->ways(), fn (Method $way): bool => $this->forms->has($knot, $way))));
    }

    /** @return array<string, mixed> */
    public function of(string $id, ?string $methodId, string $view): array
    {
        $knot = $this->open($id);
        $method = $knot->method($methodId);

        return $this->drawings->kept("knot-{$knot->id}-{$method->id}-$view", fn (): array => $this->compute($knot, $method, View::from($view)));
    }

    /** @return list<array{object: float, turns: float}> the turns a method is drawn with round what it is tied to */
    public function turns(string $id, ?string $methodId): array
    {
        $method = $this->open($id)->method($methodId);

        return $this->drawings->kept("turns-$id-{$method->id}", fn (): array => RopeUse::turnsOf($method));
    }

    /** A drawing as a file of its own: a step from 1, or the finished knot. */
    public function svg(string $id, ?string $method, string $view, ?int $step, bool $tight): string
    {
        $knot = $this->open($id);
        $known = count($knot->method($method)->steps);
        if ($step !== null && ($step < 1 || $step > $known)) {
            throw Refusal::of('/step', $step, 'any.from_to', ['least' => 1, 'most' => $known]);
        }

        return Sheet::one($this->library, SheetRequest::drawing($knot->id, $method, $step, View::from($view), $tight), $this->forms);
    }

    /** What is for leaders only is kept from every screen that learners may see. */
    public function open(string $id): KnotPack
    {
        if (! $this->library->has($id) || ! $this->library->knot($id)->isForAll()) {
            throw NotHere::knot($id);
        }

        return $this->library->knot($id);
    }

    /** @return array<string, mixed> */
    public function judgeTail(Group $group, Fields $fields): array
    {
        $knot = $this->library->knot($fields->text('knot'));
        $rope = $fields->object('rope');
        $inHand = RopeInHand::of($rope->number('diameter_mm'), Material::from($rope->text('material')), $rope->flag('wet'), $rope->numberOrNull('width_mm'));

        return $this->packs->tails()->judge(
            $knot->tailClass, $inHand, $group->tail_school, $group->backup, $fields->numberOrNull('measured_mm'), Measure::from($fields->text('measured_by', 'mm')),
        )->toArray(Words::asked());
    }

    /** @return array<string, mixed> */
    private function compute(KnotPack $knot, Method $method, View $view): array
    {
        $plain = DiagramBuilder::loose($method, $knot->file);
        $told = $method->told($view, $this->library->sides);
        $steps = StepStates::of($told, $plain, $knot->file);
        $finished = $knot->finished($method);
        $half = $knot->halfWay($method);

        return self::about($knot) + [
            'not_for' => $knot->notFor, 'tied_with' => $knot->tiedWith, 'undo' => $knot->undo, 'test' => $knot->test, 'laid_rope' => $knot->laidRope,
            'methods' => array_map(fn (Method $one): array => ['id' => $one->id, 'name' => $one->told($view, $this->library->sides)->name], $knot->ways()),
            'method' => $method->id, 'view' => $view->value, 'version' => $knot->version, 'in_space' => $this->forms->has($knot, $method),
            'checks' => ['tying' => $knot->tyingChecks, 'dressing' => $knot->dressingChecks, 'tail' => $knot->tailChecks],
            'look' => [
                'tying' => self::look($method, 'tying', $plain), 'dressing' => self::look($method, 'dressing', $plain), 'tail' => self::look($method, 'tail', $plain),
            ],
            'cautions' => $knot->cautions,
            'mistakes' => array_values(array_map(fn (KnotMistake $mistake): array => $mistake->told($view, $this->library->sides)->toArray(), $knot->mistakes)),
            'wrong' => array_map(fn (WrongForm $form): array => $this->wrong($form, $view, $knot->pulledBeside), $this->wrongForms($knot, $method)),
            'hold' => $this->hold($knot, $plain),
            'loose' => Drawing::loose($view->of($plain))->toArray(),
            'tight' => $finished === null ? null : Drawing::finished($finished, $view)->toArray(),
            'half' => $half === null ? null : Drawing::tight($view->of($half))->toArray(),
            'steps' => array_map(self::step(...), $steps),
            'text' => $knot->names[0].', '.lcfirst($told->name).': '.implode(' ', array_map(fn (StepState $step): string => $step->plan->say, $steps)),
        ];
    }

    /**
     * What usually goes wrong; where this method's own drawing leads to no form anybody has a name for, as the first method shows it.
     *
     * @return list<WrongForm>
     */
    private function wrongForms(KnotPack $knot, Method $method): array
    {
        $forms = $this->wrong["$knot->id $method->id"] ??= WrongForm::of($this->library, $this->index, $knot, $method);

        return $forms === [] && $method->id !== $knot->methods[0]->id ? $this->wrongForms($knot, $knot->methods[0]) : $forms;
    }

    /**
     * @param  list<string>  $beside  what the right knot is pulled at side by side with
     * @return array<string, mixed>
     */
    public function wrong(WrongForm $form, View $view, array $beside = []): array
    {
        $found = $form->found;
        $said = fn (Saying $one): string => $this->library->sides->told($view, Words::asked()->say($one));
        $become = $found->becomes->knot === null ? null : $this->library->knot($found->becomes->knot);

        return [
            'id' => $found->slip->id, 'name' => $become?->names[0],
            'in_space' => $become !== null && $become->isForAll() && $this->forms->has($become, $become->methods[0]) ? $become->id : null,
            'pulled' => $become !== null && in_array($become->id, $beside, true),
            'becomes' => $found->becomes->kind->value, 'sign' => $said($found->sign), 'cause' => $said($found->cause), 'fix' => $said($found->fix),
            'drawing' => Drawing::loose($view->of($form->diagram))->toArray(),
            'ringed' => array_map(fn (Point $at): array => self::place($at, $view), $form->ringed),
        ];
    }

    /** @return array{float, float} */
    public static function place(Point $at, View $view): array
    {
        return [round($view->point($at)->x, 3), round($view->point($at)->y, 3)];
    }

    /**
     * @param  'tying'|'dressing'|'tail'  $check
     * @return list<array{strand: string, from: float, to: float}>
     */
    private static function look(Method $method, string $check, Diagram $diagram): array
    {
        return array_values(array_filter(array_map(fn (Part $part): ?array => $part->span($diagram), $method->partsFor($check))));
    }

    /** @return ?array<string, mixed> */
    private function hold(KnotPack $knot, Diagram $diagram): ?array
    {
        $hold = Hold::ofKnot($knot, $diagram);

        return $hold === null || ! $hold->isPlain ? null : ['sentences' => array_map(Words::asked()->say(...), $hold->sentences())] + $hold->toArray();
    }

    /** @return array<string, mixed> */
    private static function step(StepState $step): array
    {
        return [
            'move' => $step->plan->move, 'say' => $step->plan->say, 'story' => $step->plan->story, 'tight' => $step->plan->tight, 'half' => $step->plan->half,
            'reach' => (object) array_map(fn (float $s): float => round($s, 3), $step->reach),
            'moved' => (object) array_map(fn (array $span): array => [round($span[0], 3), round($span[1], 3)], $step->moved),
            'far' => (object) array_map(fn (array $span): array => [round($span[0], 3), round($span[1], 3)], $step->far),
        ];
    }

    /** @return array<string, mixed> */
    private static function about(KnotPack $knot): array
    {
        return [
            'id' => $knot->id, 'name' => $knot->names[0], 'names' => $knot->names, 'family' => $knot->family->value, 'purpose' => $knot->purpose,
            'minutes' => $knot->minutes, 'prerequisites' => $knot->prerequisites, 'has_dressing' => $knot->hasDressing, 'has_tail' => $knot->hasTail, 'with_adult' => $knot->withAdult,
        ];
    }
}
