<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

use Compadre\Core\Words\Saying;

/**
 * A question with exactly one right answer, and why it is that.
 */
final readonly class Task
{
    /**
     * @param  list<array{say?: string, words?: array<string, string>, crossing?: int, step?: int, knot?: string}>  $options  2 to 6, by the kind: `say` over or under, `words` of a form (o and u by rope, in
     *                                               order of travel), `crossing` (a place in the drawing's list), `step` (from 1) or `knot`
     * @param  int|list<int>  $answer  the place of the right one; of an order the places of all, the first to be tied first
     * @param  array{crossing?: int, step?: int, words?: array<string, string>, job?: array<string, mixed>}  $shows  what is looked at meanwhile: the open `crossing` and its `step`, the `words` of a wrong form,
     *                                        the `job` a knot is wanted for, as compute choose takes it
     */
    public function __construct(public TaskKind $kind, public Saying $question, public array $options, public int|array $answer, public Saying $reason, public array $shows = [])
    {
    }
}
