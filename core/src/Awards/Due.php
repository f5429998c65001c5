<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

use Compadre\Core\Teaching\BadgePack;

/**
 * What is due to a learner: the badges that are ready, and those that one thing seen tonight would make ready.
 */
final class Due
{
    /**
     * @param  list<BadgePack>  $pursued  each in the version the learner began with
     * @param  list<string>  $held  badges that were decided, by id; they are due no more
     * @param  string  $today  as 2026-11-24
     * @return list<DueBadge> in the order given
     */
    public static function of(array $pursued, array $held, Evidence $evidence, string $today): array
    {
        $open = [];
        foreach ($pursued as $badge) {
            if (! in_array($badge->id, $held, true)) {
                $open[$badge->id] = $badge;
            }
        }
        $due = [];
        foreach ($open as $badge) {
            $isComplete = $evidence->completes($badge->requirement);
            $waitsFor = self::waitsFor($badge, $open, $evidence);
            $due[] = new DueBadge($badge, $isComplete, $waitsFor, $isComplete || $waitsFor !== [] ? [] : self::acts($badge, $evidence, $today));
        }

        return $due;
    }

    /**
     * A badge that nobody has the learner work toward is not waited for.
     *
     * @param  array<string, BadgePack>  $open  by id
     * @return list<string>
     */
    private static function waitsFor(BadgePack $badge, array $open, Evidence $evidence): array
    {
        // Whatever waits for itself by way of others does so once.
        unset($open[$badge->id]);
        $waits = [];
        foreach ($badge->after as $id) {
            if (isset($open[$id]) && (! $evidence->completes($open[$id]->requirement) || self::waitsFor($open[$id], $open, $evidence) !== [])) {
                $waits[] = $id;
            }
        }

        return $waits;
    }

    /** @return list<Act> */
    private static function acts(BadgePack $badge, Evidence $evidence, string $today): array
    {
        $acts = $seen = [];
        foreach ($badge->requirement->leaves() as $leaf) {
            if (! isset($seen[$leaf->knot]) && $evidence->withPass($leaf->knot, $today)->completes($badge->requirement)) {
                $acts[] = Act::check($leaf->knot);
            }
            $seen[$leaf->knot] = true;
        }
        foreach ($badge->requirement->leaves() as $leaf) {
            if ($leaf->isTicked() && ! isset($seen[$leaf->key()]) && $evidence->withTick($leaf->key(), $today)->completes($badge->requirement)) {
                $acts[] = Act::tick($leaf->key(), $leaf->knot, $leaf->in);
            }
            $seen[$leaf->key()] = true;
        }
        foreach ($badge->requirement->notes() as $note) {
            if (! isset($seen[$note->key()]) && $evidence->withTick($note->key(), $today)->completes($badge->requirement)) {
                $acts[] = Act::tick($note->key(), null, $note->words);
            }
            $seen[$note->key()] = true;
        }

        return $acts;
    }
}
