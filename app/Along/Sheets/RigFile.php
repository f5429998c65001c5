<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Bench\KeepRig;
use App\Models\Group;
use App\Models\OwnRig;
use App\Models\User;
use Compadre\Core\Data\Fields;

/**
 * The rigs a group has made its own, each with the one it was copied from.
 */
final readonly class RigFile extends TriedFile
{
    public const FORMAT = 'compadre-rigs';

    public function __construct(private KeepRig $keep, private JsonFile $file)
    {
    }

    public function write(Group $group, string $between): string
    {
        return JsonFile::write(self::FORMAT, ['rigs' => $group->rigPacks()->orderBy('rig')->get()->map(static fn (OwnRig $one): array => ['origin' => $one->origin, 'pack' => $one->pack])->all()]);
    }

    protected function rows(User $by, string $bytes): array
    {
        $here = $by->group->rigPacks()->get()->keyBy('rig');
        $rows = [];
        foreach ($this->file->read($bytes, self::FORMAT, 'RigsFile', 'rigs')->objects('rigs') as $rig) {
            $pack = $rig->object('pack');
            $now = $here->get($pack->text('id'));
            // A version counts how often it was changed in a house, and is nothing of the rig's own.
            $plain = array_diff_key($pack->raw(), ['version' => 1]);
            $rows[] = Row::good(count($rows) + 1, $pack->text('name', $pack->text('id')), ['origin' => $rig->text('origin'), 'pack' => $plain], $now === null ? null : ['origin' => $now->origin, 'pack' => array_diff_key($now->pack, ['version' => 1])]);
        }

        return $rows;
    }

    protected function keepOne(User $by, Row $row): void
    {
        $data = Fields::of($row->data);
        $this->keep->bring($by, $data->text('origin'), $data->object('pack')->raw());
    }
}
