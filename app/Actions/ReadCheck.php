<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckEvent;
use Compadre\Core\Checking\CheckEvent as CoreEvent;
use Compadre\Core\Checking\Finding;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\NextStep;
use Compadre\Core\Checking\Observation;
use Compadre\Core\Knots\KnotPack;

/**
 * A check event as read, with what the core found, waiting for the level it brings the learner to.
 */
final readonly class ReadCheck
{
    public function __construct(public CheckEvent $event, public CoreEvent $core, private Finding $finding, private Observation $seen, private KnotPack $knot)
    {
    }

    public function answered(?Level $level): CheckEvent
    {
        $this->event->answer_level = $level?->value;
        $this->event->answer_next = $this->core->kind === Kind::Retract ? 'Taken back.' : NextStep::sentence($this->finding, $this->seen, $this->knot, $level);

        return $this->event;
    }
}
