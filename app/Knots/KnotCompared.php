<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Untidy;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Mistakes\Narrowing;
use Compadre\Core\Mistakes\WrongForm;
use Compadre\Core\Space\Untidy\Fault;
use Compadre\Core\Space\Untidy\UntidyFile;

/**
 * What a learner's knot is held against while it is checked.
 */
final readonly class KnotCompared
{
    public function __construct(private Drawings $drawings, private Library $library, private KnotIndex $index, private KnotView $knots, private UntidyFile $untidy)
    {
    }

    /**
     * What to hold a learner's knot against while checking: tidy beside untidy, other forms that are as good, and the questions
     * that find an error which looks like none of the usual ones.
     *
     * @return array<string, mixed>
     */
    public function of(string $id, ?string $methodId, string $view): array
    {
        $knot = $this->knots->open($id);
        $method = $knot->method($methodId);

        $faults = array_map(static fn (Fault $fault): string => $fault->value, $this->untidy->faults($knot, $method));

        return ['untidy_in_space' => ['method' => $method->id, 'faults' => $faults]] + $this->drawings->kept("compared-$id-{$method->id}-$view", function () use ($knot, $method, $view): array {
            $from = View::from($view);
            $plain = DiagramBuilder::loose($method, $knot->file);
            $untidy = Untidy::of($method, $knot->file);

            return [
                'right' => Drawing::loose($from->of($plain))->toArray(),
                'tidy' => Drawing::finished($knot->finished($method) ?? [$plain, false], $from)->toArray(),
                'untidy' => $untidy === null ? null : Drawing::loose($from->of($untidy))->toArray(),
                'good' => $this->good($knot, $method, $from),
                'narrow' => $this->narrow(Narrowing::of($this->drawable($knot, $method, $plain)), $plain, $from),
            ];
        });
    }

    /** @return array<string, float> how likely a beginner makes each mistake that the pack has words for, 0 to 1 */
    public function likely(string $id): array
    {
        return $this->drawings->kept("likely-$id", function () use ($id): array {
            $knot = $this->library->knot($id);
            $likely = [];
            foreach ($knot->methods as $method) {
                foreach ((new MistakeFinder($this->library, $this->index))->of($knot, $method) as $found) {
                    if ($found->worded !== null) {
                        $likely[$found->worded->id] = max($likely[$found->worded->id] ?? 0.0, $found->likely);
                    }
                }
            }

            return $likely;
        });
    }

    /** @return list<array{method: string, mirrored: bool, name: string, drawing: array<string, mixed>}> */
    private function good(KnotPack $knot, Method $method, View $view): array
    {
        $good = [];
        foreach ($knot->otherForms($method) as [$other, $isMirrored]) {
            $turned = $other->finish === null ? null : $knot->finished($other);
            [$diagram, $isTight] = $turned ?? [DiagramBuilder::loose($other, $knot->file), false];
            $good[] = [
                'method' => $other->id, 'mirrored' => $isMirrored, 'name' => $other->name,
                'drawing' => Drawing::finished([$isMirrored ? View::Left->of($diagram) : $diagram, $isTight], $view)->toArray(),
            ];
        }

        return $good;
    }

    /** @return list<Found> the errors that can be shown on the outline of the right knot, the likeliest first */
    private function drawable(KnotPack $knot, Method $method, Diagram $right): array
    {
        return array_values(array_filter((new MistakeFinder($this->library, $this->index))->of($knot, $method), static fn (Found $found): bool => WrongForm::isDrawable($found, $right)));
    }

    /** @return ?array<string, mixed> a question about a crossing and where its answers lead, or the errors that are left */
    private function narrow(?Narrowing $step, Diagram $right, View $view): ?array
    {
        if ($step === null) {
            return null;
        }

        return [
            'at' => $step->crossing === null ? null : KnotView::place($right->crossings[$step->crossing]->at, $view),
            'as_drawn' => $this->narrow($step->asDrawn, $right, $view), 'other' => $this->narrow($step->other, $right, $view),
            'left' => array_map(fn (Found $found): array => $this->knots->wrong(WrongForm::onOutline($found, $right), $view), $step->left),
        ];
    }
}
