<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\Pole;
use App\Models\Stock;
use App\Models\User;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Rope\StoreSheet;
use Compadre\Core\Words\Saying;
use Illuminate\Database\Eloquent\Collection;

/**
 * Things of the store as a table. What has the same name is changed.
 *
 * @template Thing of Stock|Pole
 */
abstract readonly class NamedTable implements Listing
{
    public function __construct(private ApiRow $api)
    {
    }

    /** @return array<string, list<string>> what it is read by */
    abstract protected function columns(): array;

    /** @return list<string> what it is written with, in mm alone */
    abstract protected function written(): array;

    /** Where one would be sent to. */
    abstract protected function path(): string;

    /** @return Collection<int, Thing> */
    abstract protected function all(Group $group): Collection;

    /** @param  ?Thing  $here  null for one that is new */
    abstract protected function keep(Group $group, Stock|Pole|null $here, Fields $about): void;

    /**
     * @param  array<string, mixed>  $data
     * @return array<string, mixed> as it would be sent
     */
    protected function sent(array $data): array
    {
        return $data;
    }

    /** What is wrong with a row of which each field is right. */
    protected function fault(Fields $about): ?Saying
    {
        return null;
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $rows = $this->all($group)->map(fn (Stock|Pole $one): array => array_map(static fn (string $column): string => (string) ($one->about()[$column] ?? ''), $this->written()));

        return CsvTable::write($this->written(), array_values($rows->all()), $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, StoreSheet::MOST);
        $here = $this->all($by->group)->keyBy('name');
        $rows = array_map(function (SheetRow $row) use ($here): Row {
            $data = $this->sent($row->data);
            $about = Fields::of($data);
            $says = implode(', ', array_filter([$about->text('name'), $about->textOrNull('colour'), $about->textOrNull('material')]));
            $fault = $row->fault ?? $this->api->fault('POST', $this->path(), $data) ?? $this->fault($about);

            return $fault !== null ? Row::bad($row->line, $says, $fault) : Row::good($row->line, $says, $data, $here->get($about->text('name'))?->about());
        }, StoreSheet::rows($table, $this->columns()));

        return new Looked($rows, $table->encoding, $table->leftOut($this->columns()));
    }

    public function take(User $by, array $rows): void
    {
        $here = $this->all($by->group)->keyBy('name');
        foreach ($rows as $row) {
            $about = Fields::of($row->data);
            $this->keep($by->group, $here->get($about->text('name')), $about);
        }
    }
}
