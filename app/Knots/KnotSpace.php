<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Drawing\Palette;
use Compadre\Core\Drawing\SheetRequest;
use Compadre\Core\Drawing\SpaceWriter;
use Compadre\Core\Drawing\Turn;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StrandPlan;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;

/**
 * Knots as ropes in space: to be turned on a screen, or as a picture from one side.
 */
final readonly class KnotSpace
{
    public function __construct(private KnotView $knots, private FormFile $forms)
    {
    }

    /** @return array<string, mixed> */
    public function of(string $id, ?string $method): array
    {
        [$knot, $way] = $this->open($id, $method);
        $form = $this->forms->read($knot, $way)->form;
        $lengths = [];
        foreach (DiagramBuilder::loose($way, $knot->file)->strands as $strand) {
            $lengths[$strand->id] = round($strand->curve->length(), 3);
        }
        $plans = array_column(array_map(static fn (StrandPlan $plan): array => [$plan->id, $plan], $way->strands), 1, 0);

        return [
            'knot' => $knot->id, 'method' => $way->id, 'parts' => FormFile::PARTS,
            'ropes' => array_map(static fn (SpaceStrand $rope): array => ['id' => $rope->id, 'points' => count($rope->points), 'length' => $lengths[$rope->id], 'runs_on' => [$plans[$rope->id]->runsOn->atStart(), $plans[$rope->id]->runsOn->atEnd()]], $form->tight()),
            'objects' => array_map(static fn (Solid $solid): array => ['kind' => $solid->kind->value, 'from' => $solid->from, 'to' => $solid->to, 'radius' => $solid->radius], $form->solids),
            'frames' => array_map(static fn (array $ropes): array => array_map(FormFile::steps(...), $ropes), $form->frames),
        ];
    }

    /**
     * A picture from one side, as a file of its own.
     *
     * @param  ?string  $yaw  degrees, as $pitch is; null: the side that shows the most
     * @param  ?string  $tight  0 to 1
     */
    public function svg(string $id, ?string $method, ?string $yaw, ?string $pitch, ?string $tight): string
    {
        [$knot, $way] = $this->open($id, $method);
        $form = $this->forms->read($knot, $way)->form;
        $turn = new Turn((float) ($yaw ?? SheetRequest::TURN[0]), (float) ($pitch ?? SheetRequest::TURN[1]));

        return (new SpaceWriter(Palette::file()))->write($way, $form->at((float) ($tight ?? 1)), $form->solids, $turn, $knot->names[0]);
    }

    /** @return array{KnotPack, Method} */
    private function open(string $id, ?string $method): array
    {
        $knot = $this->knots->open($id);
        $way = $knot->method($method);
        if (! $this->forms->has($knot, $way)) {
            throw Refusal::of('/knot', $id, 'a knot that is kept as ropes in space; lashings are not');
        }

        return [$knot, $way];
    }
}
