<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\CheckEvent;
use App\Models\Group;
use Compadre\Core\Knots\Library;

/**
 * What a group gets wrong most, counted without names: a word on what to set for home.
 */
final readonly class OftenWrong
{
    private const MOST = 5;

    /** What happened once happens to anybody. */
    private const LEAST = 2;

    public function __construct(private Library $library)
    {
    }

    /** @return list<array{knot: string, name: string, sign: string, fix: string, times: int, with_adult: bool}> the most frequent first */
    public function of(Group $group): array
    {
        $rows = CheckEvent::withMistake($group)->groupBy('knot', 'mistake')->havingRaw('count(*) >= ?', [self::LEAST])
            ->selectRaw('knot, mistake, count(*) as times')->orderByDesc('times')->orderBy('knot')->orderBy('mistake')->get();
        $found = [];
        foreach ($rows as $row) {
            $knot = is_string($row->knot) && $this->library->has($row->knot) ? $this->library->knot($row->knot) : null;
            $mistake = is_string($row->mistake) ? $knot?->mistakes[$row->mistake] ?? null : null;
            if ($knot !== null && $mistake !== null && $knot->isTaught() && count($found) < self::MOST) {
                $found[] = ['knot' => $knot->id, 'name' => $knot->names[0], 'sign' => $mistake->sign, 'fix' => $mistake->fix, 'times' => is_numeric($row->times) ? (int) $row->times : 0, 'with_adult' => $knot->withAdult];
            }
        }

        return $found;
    }
}
