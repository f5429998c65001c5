<?php

declare(strict_types=1);

use Compadre\Core\Compute\Command;

function packsOfKnots(): string
{
    return dirname(__DIR__, 4).'/packs';
}

/** @return array<string, mixed> */
function planOfTerm(array $term): array
{
    return json_decode((new Command(packsOfKnots()))->run('plan', (string) json_encode($term)), true);
}

/** @return array{list<float>, list<float>} the terms and the bounds in the order in which they are compared */
function termsCompared(array $term, array $plan): array
{
    $order = ($term['settings']['pace'] ?? 'keep') === 'soon' ? [0, 1, 2, 3] : [0, 2, 1, 3];

    return array_map(static fn (array $terms): array => array_map(static fn (int $place): float => (float) $terms[$place], $order), [$plan['objective'], $plan['bound']]);
}

/** The term with a change made. */
function termMended(array $term, array $change): array
{
    foreach ($term['meetings'] as $place => $meeting) {
        if ($meeting['id'] === $change['what']) {
            $field = $change['kind'] === 'minutes' ? 'minutes' : 'checkers';
            $term['meetings'][$place][$field] += $change['by'];
        }
    }
    if ($change['kind'] === 'meeting') {
        $meetings = $term['meetings'];
        usort($meetings, static fn (array $a, array $b): int => [$a['date'], $a['id']] <=> [$b['date'], $b['id']]);
        $term['meetings'][] = ['id' => "one more on $change[what]", 'date' => $change['what']] + end($meetings);
    }
    foreach ($term['badges'] as $place => $badge) {
        if ($change['kind'] === 'date' && $badge['pack']['id'] === $change['what']) {
            $term['badges'][$place]['due_on'] = date('Y-m-d', strtotime("$badge[due_on] UTC") + $change['by'] * 86400);
        }
    }
    if ($change['kind'] === 'unpin') {
        $term['pins'] = array_values(array_filter($term['pins'], static fn (array $pin): bool => $pin['knot'] !== $change['what']));
    }
    if ($change['kind'] === 'drop') {
        $term['pins'][] = ['knot' => $change['what'], 'meeting' => null];
    }

    return $term;
}

/** @param  array<string, mixed>  $more */
function termLearner(string $id, string $band = '11-13', array $more = []): array
{
    return ['id' => $id, 'band' => $band, 'badges' => ['b']] + $more;
}

/** @return array<string, mixed> a badge b of these leaves, knot => level */
function termBadge(array $leaves, array $more = [], string $id = 'b'): array
{
    $all = array_map(static fn (string $knot, string $level): array => ['knot' => $knot, 'level' => $level], array_keys($leaves), $leaves);

    return ['pack' => ['id' => $id, 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => $all]] + ($more['pack'] ?? [])] + array_diff_key($more, ['pack' => true]);
}

/** @return array<string, mixed> */
function termMeeting(int $week, int $minutes, int $checkers, array $more = []): array
{
    return ['id' => "m$week", 'date' => date('Y-m-d', strtotime('2026-09-04 UTC') + 7 * 86400 * $week), 'minutes' => $minutes, 'checkers' => $checkers] + $more;
}

/** @return array<string, mixed> */
function wholeTerm(array $learners, array $badges, array $meetings, array $more = []): array
{
    return ['now' => '2026-09-01', 'learners' => $learners, 'badges' => $badges, 'meetings' => $meetings, 'settings' => ['pace' => 'soon']] + $more;
}
