<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Words;
use App\Models\Group;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Rigs\RigShelf;

/**
 * The instruments: a picture with one handle each, and figures that follow it in one of the group's ropes.
 */
final class InstrumentBoard
{
    private ?RigShelf $shelf = null;

    public function __construct(private readonly Library $library, private readonly WorkRig $work, private readonly WorkedView $view)
    {
    }

    /** @return list<array{id: string, name: string, about: string}> */
    public function all(): array
    {
        return array_map(self::about(...), array_values($this->shelf()->all()));
    }

    /** @return array<string, mixed> */
    public function of(Group $group, RigAsked $asked): array
    {
        $instrument = $this->shelf()->rig($asked->rig, '/instrument');
        $rope = $this->work->rope($group, $asked->rope);
        $answers = $asked->answers->raw() + $instrument->starts();
        $worked = $this->view->worked($this->work->of($group, $instrument, Fields::of($answers, '/answers'), $rope, []));

        return [
            'instrument' => self::about($instrument), 'questions' => array_map($this->view->question(...), $instrument->questions),
            'answers' => (object) $answers, 'rope' => $rope->about(), 'ropes' => array_values($group->ropes()->get()->map(static fn (Rope $one): array => $one->about())->all()),
            'worked' => array_diff_key($worked, array_flip(['members', 'cut', 'reason'])),
        ];
    }

    /** @return array{id: string, name: string, about: string} */
    private static function about(RigPack $instrument): array
    {
        return ['id' => $instrument->id, 'name' => $instrument->name, 'about' => $instrument->purpose];
    }

    private function shelf(): RigShelf
    {
        return $this->shelf ??= RigShelf::instruments(config()->string('app.packs'), $this->library, Words::overlay());
    }
}
