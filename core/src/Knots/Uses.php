<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Data\Fields;

/**
 * What a knot is used for and what not, where it holds, and how it comes undone, each with its reason in a helper's words.
 */
final readonly class Uses
{
    /**
     * @param  list<GoodFor>  $goodFor
     * @param  list<array{task: string, to: list<string>, why: string}>  $badFor  tempting, and wrong
     * @param  list<string>  $loads  steady, shaking, on_off and none: those it holds under
     * @param  ?float  $ratio  how much thicker the one rope may be than the other
     * @param  bool  $inSlippery  whether it holds in slippery rope
     * @param  array<string, string>  $whyNot  by load, ratio and slippery
     * @param  bool  $undoesAfterLoad  whether it comes undone after load
     * @param  bool  $undoesAtAPull  whether a pull lets it go
     */
    private function __construct(
        public array $goodFor,
        public array $badFor,
        public array $loads,
        public ?float $ratio,
        public bool $inSlippery,
        public array $whyNot,
        public bool $undoesAfterLoad,
        public bool $undoesAtAPull,
        public string $undoing,
    ) {
    }

    public static function from(Fields $pack): self
    {
        $holds = $pack->objectOrNull('holds_when');
        $undoes = $pack->objectOrNull('undoes_after');
        $why = $holds?->objectOrNull('why');
        $reasons = [];
        foreach (['load', 'ratio', 'slippery'] as $about) {
            $reasons[$about] = $why?->text($about, '') ?? '';
        }

        return new self(
            array_map(GoodFor::from(...), $pack->objects('good_for')),
            array_map(static fn (Fields $bad): array => ['task' => $bad->text('task'), 'to' => $bad->texts('to'), 'why' => $bad->text('why')], $pack->objects('bad_for')),
            $holds?->texts('loads') ?? [], $holds?->numberOrNull('ratio'), $holds?->flag('slippery') ?? false, $reasons,
            $undoes?->flag('load') ?? false, $undoes?->flag('pull') ?? false, $undoes?->text('why', '') ?? '',
        );
    }
}
