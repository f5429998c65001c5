<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Chooser;

/**
 * Tasks for learners, made from the packs and what the knot engine finds. The same seed makes the same task.
 */
final class TaskMaker
{
    /** @var array<string, Asks> by kind */
    private readonly array $asks;

    /** @var array<string, Sample> by knot, method and view */
    private array $samples = [];

    /** @param  KnotIndex  $index  one for learners */
    public function __construct(private readonly Library $library, private readonly KnotIndex $index, Chooser $chooser)
    {
        $this->asks = [
            TaskKind::OverUnder->value => new OverUnder, TaskKind::Spot->value => new Spot, TaskKind::Where->value => new Where,
            TaskKind::Order->value => new Order, TaskKind::Which->value => new Which($library, $chooser),
        ];
    }

    /**
     * @param  int  $seed  any
     * @param  View  $view  the sides in its words are those of drawings seen like this
     *
     * @throws Refusal for a kind of which this knot has nothing to ask, with those it has
     */
    public function make(TaskKind $kind, KnotPack $knot, Method $method, int $seed, View $view = View::Learner): Task
    {
        return $this->made($kind, $knot, $method, $seed, $view) ?? throw Refusal::of('/kind', $kind->value, 'practice.kinds', ['list' => array_map(static fn (TaskKind $one): string => $one->value, $this->kinds($knot, $method)), 'knot' => $knot->id]);
    }

    /** @return list<TaskKind> of which this knot has something to ask */
    public function kinds(KnotPack $knot, Method $method): array
    {
        return array_values(array_filter(TaskKind::cases(), fn (TaskKind $kind): bool => $this->made($kind, $knot, $method, 0) !== null));
    }

    /** @return ?Task null where this knot has nothing to ask of that kind */
    public function made(TaskKind $kind, KnotPack $knot, Method $method, int $seed, View $view = View::Learner): ?Task
    {
        return $this->asks[$kind->value]->of($this->sample($knot, $method, $view), new Lot("$kind->value $knot->id $method->id $seed"));
    }

    public function sample(KnotPack $knot, Method $method, View $view = View::Learner): Sample
    {
        return $this->samples["$knot->id $method->id $view->value"] ??= new Sample($this->library, $this->index, $knot, $method, $view);
    }
}
