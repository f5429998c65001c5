<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\Group;
use App\Models\Pole;
use App\Models\Stock;
use App\Store\KeepStore;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rope\StoreSheet;
use Compadre\Core\Words\Saying;
use Illuminate\Database\Eloquent\Collection;

/**
 * The rope store.
 *
 * @extends NamedTable<Stock>
 */
final readonly class RopeList extends NamedTable
{
    public function __construct(ApiRow $api, private KeepStore $keep)
    {
        parent::__construct($api);
    }

    protected function columns(): array
    {
        return StoreSheet::ROPES;
    }

    protected function written(): array
    {
        return ['name', 'kind', 'diameter_mm', 'material', 'lay', 'colour', 'ends', 'length_mm', 'count', 'taken'];
    }

    protected function path(): string
    {
        return '/api/store';
    }

    protected function all(Group $group): Collection
    {
        return $group->stocks()->get();
    }

    protected function fault(Fields $about): ?Saying
    {
        return $about->whole('taken') > $about->whole('count') ? new Saying('along.more_taken') : null;
    }

    protected function keep(Group $group, Stock|Pole|null $here, Fields $about): void
    {
        $here instanceof Stock ? $this->keep->change($group, $here, $about) : $this->keep->add($group, $about);
    }
}
