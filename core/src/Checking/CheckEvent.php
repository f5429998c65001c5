<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * One entry of the append-only record, as the standings rule needs it.
 */
final readonly class CheckEvent
{
    /**
     * @param  string  $correctedAt  the moment of the check in UTC, the device's clock error taken out; sortable text
     * @param  string  $day  the meeting's date in the group's time zone, else the corrected date
     * @param  ?string  $target  the event that a retract or an overrule is about
     */
    public function __construct(
        public string $id,
        public Kind $kind,
        public string $learner,
        public string $knot,
        public string $device,
        public int $deviceSeq,
        public string $correctedAt,
        public string $day,
        public string $by,
        public Verdict $verdict,
        public Seen $tying,
        public Seen $dressing,
        public Seen $tail,
        public int $prompts,
        public ?string $target = null,
    ) {
    }

    public function result(): DayResult
    {
        return new DayResult($this->day, $this->verdict, $this->kind === Kind::Prior);
    }

    /** The same, counted on another day: an overrule decides about the day of what it overrules. */
    public function onDay(string $day): self
    {
        return $day === $this->day ? $this : new self(
            $this->id, $this->kind, $this->learner, $this->knot, $this->device, $this->deviceSeq, $this->correctedAt, $day, $this->by,
            $this->verdict, $this->tying, $this->dressing, $this->tail, $this->prompts, $this->target,
        );
    }
}
