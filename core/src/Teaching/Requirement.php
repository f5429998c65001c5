<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * What a badge asks for: a knot at a level, something else that is ticked off, or some number of a list of further
 * requirements (all of them, or n of them).
 */
final readonly class Requirement
{
    /** @param  list<self>  $parts */
    private function __construct(public ?Leaf $leaf, public int $needed, public array $parts, public ?Note $note = null)
    {
    }

    public static function from(Fields $fields): self
    {
        if ($fields->has('knot')) {
            return new self(new Leaf($fields->text('knot'), $fields->choice('level', Level::class, Level::HasIt), $fields->textOrNull('in')), 1, []);
        }
        foreach (Note::KINDS as $kind) {
            if ($fields->has($kind)) {
                return new self(null, 1, [], new Note($kind, $fields->text($kind)));
            }
        }
        $name = $fields->has('all') ? 'all' : 'of';
        $parts = array_map(self::from(...), $fields->objects($name));
        $needed = $name === 'all' ? count($parts) : $fields->whole('choose');
        if ($parts === []) {
            throw Refusal::of($fields->place($name), [], 'teaching.some');
        }
        if ($needed < 1 || $needed > count($parts)) {
            throw Refusal::of($fields->place('choose'), $needed, 'teaching.choose', ['most' => count($parts)]);
        }

        return new self(null, $needed, $parts);
    }

    /** @return list<Leaf> */
    public function leaves(): array
    {
        if ($this->leaf instanceof Leaf) {
            return [$this->leaf];
        }
        $leaves = [];
        foreach ($this->parts as $part) {
            array_push($leaves, ...$part->leaves());
        }

        return $leaves;
    }

    /** @return list<Note> */
    public function notes(): array
    {
        return $this->note instanceof Note ? [$this->note] : array_merge(...array_map(static fn (self $part): array => $part->notes(), $this->parts));
    }

    /**
     * The leaves, each with the choice it is part of ("1 of 2"), or null where it has to be met.
     *
     * @return list<array{Leaf, ?string}>
     */
    public function choices(?string $choice = null): array
    {
        if ($this->leaf instanceof Leaf) {
            return [[$this->leaf, $choice]];
        }
        $inner = $this->needed < count($this->parts) ? $this->needed.' of '.count($this->parts) : $choice;
        $leaves = [];
        foreach ($this->parts as $part) {
            array_push($leaves, ...$part->choices($inner));
        }

        return $leaves;
    }

    /**
     * The leaves still to be met at the least cost: everything of an all-of, the cheapest of an n-of.
     *
     * @param  array<string, Level>  $levels  by knot
     * @param  callable(Leaf): float  $cost
     * @param  array<string, true>  $ticked  keys of what is ticked off
     * @return list<Leaf>
     */
    public function open(array $levels, callable $cost, array $ticked = []): array
    {
        if ($this->note instanceof Note) {
            return [];
        }
        if ($this->leaf instanceof Leaf) {
            return $this->leaf->metBy($levels[$this->leaf->knot] ?? null, $ticked) ? [] : [$this->leaf];
        }
        $choices = [];
        foreach ($this->parts as $order => $part) {
            $open = $part->open($levels, $cost, $ticked);
            $choices[] = [array_sum(array_map($cost, $open)), $order, $open];
        }
        usort($choices, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        $leaves = [];
        foreach (array_slice($choices, 0, $this->needed) as [, , $open]) {
            array_push($leaves, ...$open);
        }

        return $leaves;
    }

    /**
     * How much is met, counted in leaves: an n-of counts its n best.
     *
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, true>  $ticked  keys of notes ticked off
     * @return array{int, int} met and needed
     */
    public function progress(array $levels, array $ticked = []): array
    {
        if ($this->note instanceof Note) {
            return [isset($ticked[$this->note->key()]) ? 1 : 0, 1];
        }
        if ($this->leaf instanceof Leaf) {
            return [$this->leaf->metBy($levels[$this->leaf->knot] ?? null, $ticked) ? 1 : 0, 1];
        }
        $parts = array_map(static fn (self $part): array => $part->progress($levels, $ticked), $this->parts);
        usort($parts, static fn (array $a, array $b): int => [$a[1] - $a[0], -$a[0]] <=> [$b[1] - $b[0], -$b[0]]);
        $met = 0;
        $needed = 0;
        foreach (array_slice($parts, 0, $this->needed) as [$partMet, $partNeeded]) {
            $met += $partMet;
            $needed += $partNeeded;
        }

        return [$met, $needed];
    }

    /**
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, true>  $ticked  keys of what is ticked off
     */
    public function isMet(array $levels, array $ticked): bool
    {
        [$met, $needed] = $this->progress($levels, $ticked);

        return $met >= $needed;
    }

    /**
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, true>  $ticked  keys of notes ticked off
     * @return array<string, mixed> the tree with what is met
     */
    public function outline(array $levels, array $ticked = []): array
    {
        if ($this->note instanceof Note) {
            return ['note' => $this->note->kind, 'words' => $this->note->words, 'key' => $this->note->key(), 'met' => isset($ticked[$this->note->key()])];
        }
        if ($this->leaf instanceof Leaf) {
            return ['knot' => $this->leaf->knot, 'level' => $this->leaf->level->value, 'met' => $this->leaf->metBy($levels[$this->leaf->knot] ?? null, $ticked)]
                + ($this->leaf->in === null ? [] : ['words' => $this->leaf->in]) + ($this->leaf->isTicked() ? ['key' => $this->leaf->key()] : []);
        }

        return [
            'choose' => $this->needed, 'among' => count($this->parts), 'met' => $this->isMet($levels, $ticked),
            'parts' => array_map(static fn (self $part): array => $part->outline($levels, $ticked), $this->parts),
        ];
    }
}
