<?php

declare(strict_types=1);

namespace App\Knots;

use Compadre\Core\Drawing\Sheet;
use Compadre\Core\Drawing\SheetRequest;
use Compadre\Core\Drawing\Turn;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\StrandPlan;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;

/**
 * Knots as ropes in space: to be turned on a screen, or as a picture from one side.
 */
final readonly class KnotSpace
{
    public function __construct(private Library $library, private KnotView $knots, private FormFile $forms)
    {
    }

    /** @return array<string, mixed> */
    public function of(string $id, ?string $method): array
    {
        $knot = $this->knots->open($id);
        $way = $knot->method($method);
        $form = $this->forms->read($knot, $way)->form;
        $lengths = [];
        foreach (DiagramBuilder::loose($way, $knot->file)->strands as $strand) {
            $lengths[$strand->id] = round($strand->curve->length(), 3);
        }
        $plans = array_column(array_map(static fn (StrandPlan $plan): array => [$plan->id, $plan], $way->strands), 1, 0);

        return [
            'knot' => $knot->id, 'method' => $way->id, 'parts' => FormFile::PARTS,
            'ropes' => array_map(static fn (SpaceStrand $rope): array => ['id' => $rope->id, 'points' => count($rope->points), 'length' => $lengths[$rope->id], 'runs_on' => [$plans[$rope->id]->runsOn->atStart(), $plans[$rope->id]->runsOn->atEnd()]], $form->tight()),
            'objects' => array_map(static fn (Solid $solid): array => $solid->toArray(), $form->solids),
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
        $usual = new Turn;
        $turn = new Turn((float) ($yaw ?? $usual->yaw), (float) ($pitch ?? $usual->pitch));

        return Sheet::one($this->library, SheetRequest::inSpace($this->knots->open($id)->id, $method, $turn, (float) ($tight ?? 1)), $this->forms);
    }
}
