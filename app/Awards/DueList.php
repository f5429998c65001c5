<?php

declare(strict_types=1);

namespace App\Awards;

use App\Knots\KnotNames;
use App\Models\GroupState;
use App\Models\Learner;
use Compadre\Core\Awards\Act;

/**
 * Whose badges are ready, and whose would be with one thing more.
 */
final readonly class DueList
{
    public function __construct(private KnotNames $names)
    {
    }

    /**
     * @param  bool  $proofs  whether to tell what met those that are ready
     * @return array{ready: list<array<string, mixed>>, nearly: list<array<string, mixed>>} by badge, then by learner
     */
    public function of(Credit $credit, GroupState $state, bool $proofs = false): array
    {
        $due = $credit->due($state);
        $order = array_flip(array_keys($state->badges));
        [$ready, $nearly] = [[], []];
        foreach ($state->learners as $learner) {
            foreach ($due[$learner->id] ?? [] as $one) {
                $about = ['learner' => self::learner($learner), 'badge' => $one->badge->id, 'version' => $one->badge->version, 'name' => $one->badge->name];
                if ($one->isReady()) {
                    $ready[] = $about + ($proofs ? ['proof' => $credit->proof($one->badge, $learner)] : []);
                } elseif ($one->acts !== []) {
                    $nearly[] = $about + ['acts' => array_map($this->act(...), $one->acts)];
                }
            }
        }
        $byBadge = static fn (array $a, array $b): int => ($order[$a['badge']] ?? 0) <=> ($order[$b['badge']] ?? 0);
        usort($ready, $byBadge);
        usort($nearly, $byBadge);

        return ['ready' => $ready, 'nearly' => $nearly];
    }

    /** @return array{id: string, name: string} */
    public static function learner(Learner $learner): array
    {
        return ['id' => $learner->id, 'name' => $learner->name];
    }

    /** @return array{knot: ?string, name: ?string, key: ?string, words: ?string} */
    private function act(Act $act): array
    {
        return ['knot' => $act->knot, 'name' => $act->knot === null ? null : $this->names->of($act->knot), 'key' => $act->key, 'words' => $act->words];
    }
}
