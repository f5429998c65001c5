<?php

declare(strict_types=1);

namespace App\Check;

use Compadre\Core\Checking\CheckEvent as CoreEvent;
use Compadre\Core\Checking\Finding;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\NextStep;
use Compadre\Core\Checking\Observation;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Written;

/**
 * A check event as read, with what the core found, waiting for the level it brings the learner to.
 */
final readonly class ReadCheck
{
    /** @param  array<string, scalar|null>  $row  as the database takes it: a batch has hundreds, and a model of each takes longer than all the rest */
    public function __construct(private array $row, public CoreEvent $core, private Finding $finding, private Observation $seen, private KnotPack $knot)
    {
    }

    /** Whom and what it is about: learner and knot, as one text. */
    public function pair(): string
    {
        return $this->core->learner.' '.$this->core->knot;
    }

    public function isHard(): bool
    {
        return $this->knot->hard;
    }

    /** @return array<string, scalar|null> */
    public function answered(?Level $level): array
    {
        $next = match ($this->core->kind) {
            Kind::Retract => new Saying('check.taken_back'),
            Kind::Used => new Saying('check.used_in', ['rig' => (string) $this->row['rig_name']]),
            default => NextStep::of($this->finding, $this->seen, $this->knot, $level),
        };

        return ['answer_level' => $level?->value, 'answer_next' => Written::text($next)] + $this->row;
    }
}
