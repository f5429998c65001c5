<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Run;

use Compadre\Core\Refusal;
use DateTimeImmutable;

/**
 * A meeting under way: one block runs at a time. A step names the block it was taken at, so that when two leaders tap at once, or
 * a phone without a network tells of it later, nothing happens twice; and no step is dated before the one that came before it.
 */
final readonly class Clock
{
    /** So far apart that halves of blocks find room between. */
    public const APART = 10;

    /** A block shorter than this is not split, in minutes. */
    public const LEAST_SPLIT = 2.0;

    /** @param  list<ClockBlock>  $blocks  in order of their places */
    public function __construct(public DateTimeImmutable $startedAt, public ?DateTimeImmutable $endedAt, public array $blocks)
    {
    }

    /** @param  list<array{knot: ?string, minutes: float}>  $planned */
    public static function start(array $planned, DateTimeImmutable $at): self
    {
        $blocks = [];
        foreach ($planned as $number => $one) {
            $block = new ClockBlock(self::APART * $number, $one['knot'], round($one['minutes'], 1));
            $blocks[] = $number === 0 ? $block->starting($at) : $block;
        }

        return new self($at, null, $blocks);
    }

    /** @throws Refusal for a block that is not there, or a step that it does not allow */
    public function step(ClockStep $step, ?int $place, DateTimeImmutable $at): self
    {
        $block = $this->block($place);
        if ($step === ClockStep::Carry && $block->knot === null) {
            throw Refusal::of('/block', $place, 'session.carry');
        }
        $as = $step->leaves();

        return $as === null ? $this->split($block) : $this->leave($block, $as, $at);
    }

    /** What was not begun was skipped. */
    public function end(DateTimeImmutable $at): self
    {
        if ($this->endedAt !== null) {
            return $this;
        }
        $at = $this->notBefore($at);

        return new self($this->startedAt, $at, array_map(static fn (ClockBlock $block): ClockBlock => match ($block->state) {
            BlockState::Running => $block->left(BlockState::Done, $at),
            BlockState::Waiting => $block->left(BlockState::Skipped, $at),
            default => $block,
        }, $this->blocks));
    }

    public function block(?int $place): ClockBlock
    {
        foreach ($this->blocks as $block) {
            if ($block->place === $place) {
                return $block;
            }
        }

        throw Refusal::of('/block', $place, 'session.block');
    }

    /** Only a running block is done; one that is over stays what it became. */
    private function leave(ClockBlock $block, BlockState $as, DateTimeImmutable $at): self
    {
        $running = $block->state === BlockState::Running;
        if (! $block->state->isOpen() || ($as === BlockState::Done && ! $running)) {
            return $this;
        }
        $at = $this->notBefore($at);
        $blocks = [];
        $next = $running;
        foreach ($this->blocks as $one) {
            if ($one === $block) {
                $one = $one->left($as, $at);
            } elseif ($next && $one->state === BlockState::Waiting) {
                $one = $one->starting($at);
                $next = false;
            }
            $blocks[] = $one;
        }

        return new self($this->startedAt, $this->endedAt, $blocks);
    }

    /** Half of it now, half after the block that follows. */
    private function split(ClockBlock $block): self
    {
        if (! $block->state->isOpen() || $block->planned < self::LEAST_SPLIT) {
            throw Refusal::of('/block', $block->place, 'session.split');
        }
        $half = round($block->planned / 2, 1);
        $place = $block->place;
        foreach ($this->blocks as $one) {
            if ($one->state === BlockState::Waiting && $one->place > $block->place) {
                $place = $one->place;
                break;
            }
        }
        $taken = array_map(static fn (ClockBlock $one): int => $one->place, $this->blocks);
        do {
            $place++;
        } while (in_array($place, $taken, true));
        $blocks = [...array_map(static fn (ClockBlock $one): ClockBlock => $one === $block ? $one->of($half) : $one, $this->blocks), new ClockBlock($place, $block->knot, round($block->planned - $half, 1), cutFrom: $block->place)];
        usort($blocks, static fn (ClockBlock $a, ClockBlock $b): int => $a->place <=> $b->place);

        return new self($this->startedAt, $this->endedAt, $blocks);
    }

    private function notBefore(DateTimeImmutable $at): DateTimeImmutable
    {
        return max($at, $this->startedAt, ...array_filter(array_merge(...array_map(static fn (ClockBlock $one): array => [$one->startedAt, $one->endedAt], $this->blocks))));
    }
}
