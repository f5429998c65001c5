<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\Pole;
use App\Models\Stock;
use App\Store\KeepPoles;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rope\StoreSheet;
use Illuminate\Database\Eloquent\Collection;

/**
 * The poles.
 *
 * @extends NamedTable<Pole>
 */
final readonly class PoleList extends NamedTable
{
    public function __construct(ApiRow $api, private KeepPoles $keep)
    {
        parent::__construct($api);
    }

    protected function columns(): array
    {
        return StoreSheet::POLES;
    }

    protected function written(): array
    {
        return ['name', 'diameter_mm', 'length_mm', 'count'];
    }

    protected function path(): string
    {
        return '/api/poles';
    }

    protected function all(Group $group): Collection
    {
        return $group->poles()->get();
    }

    /** A pole is as thick as so many whole millimetres. */
    protected function sent(array $data): array
    {
        $across = $data['diameter_mm'];

        return ['diameter_mm' => is_float($across) && floor($across) === $across ? (int) $across : $across] + $data;
    }

    protected function keep(Group $group, Stock|Pole|null $here, Fields $about): void
    {
        $here instanceof Pole ? $this->keep->change($group, $here, $about) : $this->keep->add($group, $about);
    }
}
