<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * How fast a knot is forgotten: the half-life in days at the first has it, that of a hard knot, and what a later day makes of it.
 * The usual figures hold until a group has a history of its own.
 */
final readonly class MemoryModel
{
    private function __construct(
        public float $start,
        public float $hardStart,
        public float $clean,
        public float $prompts,
        public float $again,
        public float $least,
    ) {
        foreach (['start' => [$start, 1, 60], 'hard_start' => [$hardStart, 1, 60], 'clean' => [$clean, 1, 6], 'prompts' => [$prompts, 0.5, 6], 'again' => [$again, 0.1, 1], 'least' => [$least, 0.5, 10]] as $name => [$value, $from, $to]) {
            if (! ($value >= $from && $value <= $to)) {
                throw Refusal::of("/$name", $value, 'any.from_to', ['least' => $from, 'most' => $to]);
            }
        }
    }

    public static function usual(): self
    {
        /** @var ?self $usual asked for at every pass of a plan */
        static $usual = null;

        return $usual ??= new self(7.0, 5.0, 2.2, 1.4, 0.5, 3.0);
    }

    /** @throws Refusal naming the figure that is out of range */
    public static function from(Fields $fields): self
    {
        return new self($fields->number('start'), $fields->number('hard_start'), $fields->number('clean'), $fields->number('prompts'), $fields->number('again'), $fields->number('least'));
    }

    /** A hard knot starts as much sooner as it does by the usual figures. */
    public function with(?float $start = null, ?float $clean = null, ?float $prompts = null, ?float $again = null): self
    {
        $usual = self::usual();
        $from = $start ?? $this->start;

        return new self($from, round($from * $usual->hardStart / $usual->start, 2), $clean ?? $this->clean, $prompts ?? $this->prompts, $again ?? $this->again, $this->least);
    }

    /** The half-life in days after a later day, from that day's worst verdict. */
    public function after(float $halfLife, Verdict $worst): float
    {
        return match ($worst) {
            Verdict::HasIt => $halfLife * $this->clean,
            Verdict::TieAgain => max($this->least, $halfLife * $this->again),
            default => $halfLife * $this->prompts,
        };
    }

    /** @return array{start: float, hard_start: float, clean: float, prompts: float, again: float, least: float} */
    public function toArray(): array
    {
        return ['start' => $this->start, 'hard_start' => $this->hardStart, 'clean' => $this->clean, 'prompts' => $this->prompts, 'again' => $this->again, 'least' => $this->least];
    }
}
