<?php

declare(strict_types=1);

namespace App\Knots;

use App\Http\Words;
use Compadre\Core\Drawing\Sheet;
use Compadre\Core\Drawing\SheetRequest;
use Compadre\Core\Drawing\Turn;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StrandPlan;
use Compadre\Core\Rope\Material;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\KeptForm;
use Compadre\Core\Space\Pull\PullFile;
use Compadre\Core\Space\Pull\PullResult;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\StepsInSpace;
use Compadre\Core\Space\Untidy\Fault;
use Compadre\Core\Space\Untidy\UntidyFile;

/**
 * Knots as ropes in space: to be turned on a screen, or as a picture from one side.
 */
final readonly class KnotSpace
{
    public function __construct(private Library $library, private KnotView $knots, private FormFile $forms, private PullFile $pulls, private UntidyFile $untidy)
    {
    }

    /** @return array<string, mixed> */
    public function of(string $id, ?string $method): array
    {
        $knot = $this->knots->open($id);
        $way = $knot->method($method);
        $kept = $this->forms->read($knot, $way);

        return ['pulled' => null] + $this->shown($knot, $way, $kept, $kept->form->frames);
    }

    /**
     * A knot as a careless hand leaves it, tied right and not dressed, and how it is dressed where drawing it up does that.
     *
     * @param  string  $fault  one that it is kept with
     * @return array<string, mixed>
     */
    public function untidy(string $id, ?string $method, string $fault): array
    {
        $knot = $this->knots->open($id);
        $way = $knot->method($method);

        return ['pulled' => null] + $this->shown($knot, $way, $this->forms->read($knot, $way), $this->untidy->one($knot, $way, Fault::from($fault))->frames);
    }

    /**
     * A knot as it is pulled at: of the usual way of tying it, from tight to pulled.
     *
     * @return array<string, mixed>
     */
    public function pulled(string $id): array
    {
        $knot = $this->knots->open($id);
        $pulled = $this->pulls->read($knot);
        $words = Words::asked();
        $about = ['result' => $pulled->result->value, 'travel' => $pulled->travel, 'words' => $words->say($pulled->result->said($pulled->travel, Material::USUAL->said())), 'model' => $words->say(PullResult::model())];

        return ['pulled' => $about] + $this->shown($knot, $knot->methods[0], $this->forms->read($knot, $knot->methods[0]), $pulled->frames);
    }

    /**
     * @param  non-empty-list<list<SpaceStrand>>  $frames
     * @return array<string, mixed>
     */
    private function shown(KnotPack $knot, Method $way, KeptForm $kept, array $frames): array
    {
        $steps = new StepsInSpace($knot, $way, $kept);
        $lengths = $steps->lengths();
        $comes = $steps->comes();
        $plans = array_column(array_map(static fn (StrandPlan $plan): array => [$plan->id, $plan], $way->strands), 1, 0);

        return [
            'knot' => $knot->id, 'method' => $way->id, 'parts' => FormFile::PARTS,
            'ropes' => array_map(static fn (SpaceStrand $rope): array => ['id' => $rope->id, 'points' => count($rope->points), 'length' => round($lengths[$rope->id], 3), 'comes' => array_map(static fn (array $one): array => [round($one[0], 3), $one[1]], $comes[$rope->id] ?? []), 'runs_on' => [$plans[$rope->id]->runsOn->atStart(), $plans[$rope->id]->runsOn->atEnd()]], $frames[0]),
            'objects' => array_map(static fn (Solid $solid): array => $solid->toArray(), $kept->form->shown()),
            'frames' => array_map(static fn (array $ropes): array => array_map(FormFile::steps(...), $ropes), $frames),
        ];
    }

    /**
     * A picture from one side, as a file of its own.
     *
     * @param  ?string  $yaw  degrees, as $pitch is; null: the side that shows the most
     * @param  ?string  $tight  0 to 1
     * @param  ?string  $step  from 1: as far as the ropes have come then
     * @param  bool  $grey  in the greys of a handout
     */
    public function svg(string $id, ?string $method, ?string $yaw, ?string $pitch, ?string $tight, ?string $step = null, bool $grey = false): string
    {
        $usual = new Turn;
        $turn = new Turn((float) ($yaw ?? $usual->yaw), (float) ($pitch ?? $usual->pitch));

        return Sheet::one($this->library, SheetRequest::inSpace($this->knots->open($id)->id, $method, $turn, (float) ($tight ?? 1), $step === null ? null : (int) $step, $grey), $this->forms);
    }
}
