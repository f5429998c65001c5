<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * One step: how far each rope's end has travelled when it is done (waypoint numbers), which kind of move it is, and
 * the words for it, plain and, where one helps, as part of a story. A step shows the rope laid out, the finished knot
 * (`tight`), or what is drawn up half-way through a pull that turns the knot over (`half`). Of a lashing it names the turn of its
 * form in space that is laid when it is done (`laid`).
 */
final readonly class StepPlan
{
    /** @param  array<string, float>  $reach by strand */
    public function __construct(
        public string $move,
        public array $reach,
        public string $say,
        public ?string $story,
        public bool $tight,
        public bool $half = false,
        public ?string $laid = null,
    ) {
    }

    public static function from(Fields $fields): self
    {
        return new self(
            $fields->text('move'),
            $fields->has('to') ? $fields->numbers('to') : [],
            $fields->text('say'),
            $fields->textOrNull('story'),
            $fields->flag('tight'),
            $fields->flag('half'),
            $fields->textOrNull('laid'),
        );
    }

    public function told(View $view, Sides $sides): self
    {
        $story = $this->story === null ? null : $sides->told($view, $this->story);

        return new self($this->move, $this->reach, $sides->told($view, $this->say), $story, $this->tight, $this->half, $this->laid);
    }
}
