<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Meeting;
use App\Models\RigGate;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * Notes that a named adult has ticked every line of a rig's gate for a meeting. Once noted it stays with the meeting.
 */
final readonly class OpenGate
{
    /**
     * @return array<string, mixed>
     *
     * @throws Refusal for a rig without a gate, a line that is not ticked, no name
     */
    public function __invoke(User $user, Meeting $meeting, Fields $fields): array
    {
        $rig = $user->group->rigs()->rig($fields->text('rig'));
        if (! $rig->isGated()) {
            throw Refusal::of('/rig', $rig->id, 'bench.no_gate');
        }
        $ticked = $fields->texts('lines');
        foreach ($rig->gates as $number => $line) {
            if (! in_array($line, $ticked, true)) {
                throw Refusal::of("/lines/$number", null, 'bench.not_ticked', ['line' => $line]);
            }
        }
        $adult = trim($fields->text('adult'));
        if ($adult === '') {
            throw Refusal::of('/adult', '', 'bench.adult');
        }

        return RigGate::query()->updateOrCreate(['meeting_id' => $meeting->id, 'rig' => $rig->id], [
            'group_id' => $meeting->group_id, 'user_id' => $user->id, 'version' => $rig->version, 'adult' => $adult, 'lines' => $rig->gates, 'ticked_at' => now(),
        ])->about();
    }
}
