<?php

declare(strict_types=1);

namespace App\Check;

use App\Models\CheckEvent;
use App\Models\Group;
use Compadre\Core\Checking\MemoryFit;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Standing;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Knots\Library;

/**
 * How a group's learners forget: the usual figures and its own, and which of them predicts better.
 */
final readonly class MemoryBoard
{
    public function __construct(private Library $library)
    {
    }

    public function fit(Group $group): MemoryFit
    {
        $hard = $this->library->hard();

        return MemoryFit::of(array_map(fn (Standing $one): array => [$one->results, in_array($one->knot, $hard, true)], Standings::derive(CheckEvent::coreOfGroup($group), $hard)));
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $fit = $this->fit($group);

        return [
            'results' => $fit->results, 'needed' => MemoryFit::NEEDED, 'judged_on' => $fit->judgedOn,
            'usual' => ['figures' => MemoryModel::usual()->toArray(), 'score' => self::rounded($fit->usualScore)],
            'own' => $fit->own === null ? null : ['figures' => $fit->own->toArray(), 'score' => self::rounded($fit->ownScore)],
            'better' => $fit->isBetter(), 'in_use' => $group->memory_model === null ? null : $group->memory()->toArray(),
        ];
    }

    private static function rounded(?float $score): ?float
    {
        return $score === null ? null : round($score, 4);
    }
}
