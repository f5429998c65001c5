<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\Stock;
use App\Models\User;
use App\Store\KeepStore;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Rope\StoreSheet;

/**
 * The rope store. What has the same name is changed.
 */
final readonly class RopeList implements Listing
{
    /** What it is written with, and read by, in mm alone. */
    private const WRITTEN = ['name', 'kind', 'diameter_mm', 'material', 'lay', 'colour', 'ends', 'length_mm', 'count', 'taken'];

    public function __construct(private KeepStore $keep, private ApiRow $api)
    {
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $rows = $group->stocks()->get()->map(static fn (Stock $stock): array => array_map(static fn (string $column): string => (string) $stock->about()[$column], self::WRITTEN));

        return CsvTable::write(self::WRITTEN, array_values($rows->all()), $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, StoreSheet::MOST);
        $here = $by->group->stocks()->get()->keyBy('name');
        $rows = array_map(function (SheetRow $row) use ($here): Row {
            $data = Fields::of($row->data);
            $says = implode(', ', array_filter([$data->text('name'), $data->textOrNull('colour'), (string) $data->textOrNull('material')]));
            $fault = $row->fault ?? $this->api->fault('POST', '/api/store', $row->data) ?? ($data->whole('taken') > $data->whole('count') ? 'More are taken than there are.' : null);

            return $fault !== null ? Row::bad($row->line, $says, $fault) : Row::good($row->line, $says, $row->data, $here->get($data->text('name'))?->about());
        }, StoreSheet::rows($table, StoreSheet::ROPES));

        return new Looked($rows, $table->encoding, $table->leftOut(StoreSheet::ROPES));
    }

    public function take(User $by, array $rows): void
    {
        foreach ($rows as $row) {
            $stock = $by->group->stocks()->where('name', $row->data['name'])->first();
            $stock === null ? $this->keep->add($by->group, Fields::of($row->data)) : $this->keep->change($by->group, $stock, Fields::of($row->data));
        }
    }
}
