<?php

declare(strict_types=1);

namespace App\Check;

use App\Models\Group;
use Compadre\Core\Checking\MemoryFit;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Goes over to the group's own figures for forgetting, or back to the usual ones; every standing is derived anew.
 */
final readonly class ChooseMemory
{
    public function __construct(private MemoryBoard $board, private DeriveStandings $derive)
    {
    }

    public function __invoke(Group $group, bool $own): void
    {
        $fit = $this->board->fit($group);
        if ($own && ! $fit->own instanceof MemoryModel) {
            throw Refusal::of('/use', 'own', 'check.few_results', ['needed' => MemoryFit::NEEDED, 'results' => $fit->results]);
        }
        DB::transaction(function () use ($group, $own, $fit): void {
            $group->update(['memory_model' => $own ? $fit->own?->toArray() : null]);
            $this->derive->rebuild($group);
        });
    }
}
