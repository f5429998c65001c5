<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\Pole;
use App\Models\User;
use App\Store\KeepPoles;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Rope\StoreSheet;

/**
 * The poles. What has the same name is changed.
 */
final readonly class PoleList implements Listing
{
    private const WRITTEN = ['name', 'diameter_mm', 'length_mm', 'count'];

    public function __construct(private KeepPoles $keep, private ApiRow $api)
    {
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $rows = $group->poles()->get()->map(static fn (Pole $pole): array => array_map(static fn (string $column): string => (string) $pole->about()[$column], self::WRITTEN));

        return CsvTable::write(self::WRITTEN, array_values($rows->all()), $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, StoreSheet::MOST);
        $here = $by->group->poles()->get()->keyBy('name');
        $rows = array_map(function (SheetRow $row) use ($here): Row {
            $name = Fields::of($row->data)->text('name');
            $across = $row->data['diameter_mm'];
            $data = ['diameter_mm' => is_float($across) && floor($across) === $across ? (int) $across : $across] + $row->data;
            $fault = $row->fault ?? $this->api->fault('POST', '/api/poles', $data);

            return $fault !== null ? Row::bad($row->line, $name, $fault) : Row::good($row->line, $name, $data, $here->get($name)?->about());
        }, StoreSheet::rows($table, StoreSheet::POLES));

        return new Looked($rows, $table->encoding, $table->leftOut(StoreSheet::POLES));
    }

    public function take(User $by, array $rows): void
    {
        foreach ($rows as $row) {
            $pole = $by->group->poles()->where('name', $row->data['name'])->first();
            $pole === null ? $this->keep->add($by->group, Fields::of($row->data)) : $this->keep->change($by->group, $pole, Fields::of($row->data));
        }
    }
}
