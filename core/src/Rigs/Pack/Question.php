<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\Unit;
use Compadre\Core\Rope\Material;

/**
 * One of the things a rig asks. Lengths are answered in mm, loads in N or N per metre.
 */
final readonly class Question
{
    private const UNITS = ['mm' => true, 'n' => true, 'n_per_m' => true, 'count' => true, 'ratio' => true];

    /**
     * @param  key-of<self::UNITS>  $unit
     * @param  float|bool|string|null  $default  null: it has to be answered; a number in the measure that is kept, a text where it follows by a formula
     * @param  array<string, string>  $choices  the words a choice allows, each as it is shown
     * @param  array{from: int, to: int}  $times  how many numbers or rows
     * @param  list<self>  $fields  of each row
     * @param  float  $start  what a screen begins with
     * @param  bool  $isPole  the diameter of a pole: those a group has are offered
     * @param  bool  $isRound  the diameter of something that rope goes round, which is never thinner than the rope
     */
    private function __construct(
        public string $id,
        public string $ask,
        public QuestionKind $kind,
        public string $unit,
        public float $from,
        public float $to,
        public float|bool|string|null $default,
        public array $choices,
        public array $times,
        public array $fields,
        public float $start,
        public bool $isRound,
        public bool $isPole,
        public string $place,
    ) {
    }

    public static function from(Fields $pack): self
    {
        $kind = $pack->choice('kind', QuestionKind::class, QuestionKind::Number);
        $unit = $kind === QuestionKind::Count ? 'count' : $pack->text('unit', 'mm');
        if (! isset(self::UNITS[$unit])) {
            throw Refusal::of($pack->place('unit'), $unit, 'any.one_of', ['list' => array_keys(self::UNITS)]);
        }
        $default = $pack->raw()['default'] ?? null;
        $times = $pack->objectOrNull('times');
        $words = $pack->objectOrNull('choices')?->raw() ?? [];

        return new self(
            $pack->text('id'), $pack->text('ask'), $kind, $unit, $pack->number('from', 0.0), $pack->number('to', 0.0),
            is_int($default) || is_float($default) ? $default * Unit::scale($unit) : (is_bool($default) || is_string($default) ? $default : null),
            array_map(static fn (mixed $label): string => is_string($label) ? $label : '', array_combine(array_map(strval(...), array_keys($words)), $words)),
            ['from' => $times?->whole('from') ?? 1, 'to' => $times?->whole('to') ?? 1],
            array_map(self::from(...), $pack->objects('fields')), $pack->number('start', $pack->number('from', 0.0)), $pack->flag('round'), $pack->flag('pole'), $pack->at,
        );
    }

    public function isOptional(): bool
    {
        return $this->default !== null;
    }

    /**
     * What a screen begins with: a number, a word, yes or no, several numbers or rows, a rope. Of a default that follows by a formula nothing.
     *
     * @return float|int|bool|string|list<mixed>|array<string, mixed>|null
     */
    public function begins(): float|int|bool|string|array|null
    {
        return match ($this->kind) {
            QuestionKind::Number => is_string($this->default) ? null : $this->start,
            QuestionKind::Count => is_string($this->default) ? null : (int) $this->start,
            QuestionKind::Choice => is_string($this->default) ? $this->default : (string) array_key_first($this->choices),
            QuestionKind::Yes => $this->default === true,
            QuestionKind::Numbers => array_fill(0, $this->times['from'], $this->start),
            QuestionKind::Rows => array_fill(0, max($this->times['from'], (int) $this->start), array_merge([], ...array_map(static fn (self $field): array => $field->isOptional() ? [] : [$field->id => $field->begins()], $this->fields))),
            QuestionKind::Rope => ['diameter_mm' => 8, 'material' => Material::USUAL->value],
        };
    }

    /** @return array<string, mixed> the JSON Schema of an answer */
    public function schema(): array
    {
        $range = ['minimum' => $this->from, 'maximum' => $this->to];

        return match ($this->kind) {
            QuestionKind::Number => ['type' => 'number'] + $range,
            QuestionKind::Count => ['type' => 'integer', 'minimum' => (int) $this->from, 'maximum' => (int) $this->to],
            QuestionKind::Choice => ['enum' => array_keys($this->choices)],
            QuestionKind::Yes => ['type' => 'boolean'],
            QuestionKind::Numbers => ['type' => 'array', 'items' => ['type' => 'number'] + $range, 'minItems' => $this->times['from'], 'maxItems' => $this->times['to']],
            QuestionKind::Rows => ['type' => 'array', 'items' => self::together($this->fields), 'minItems' => $this->times['from'], 'maxItems' => $this->times['to']],
            QuestionKind::Rope => [
                'type' => 'object', 'additionalProperties' => false, 'required' => ['diameter_mm', 'material'],
                'properties' => ['diameter_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 100], 'material' => ['enum' => array_column(Material::cases(), 'value')]],
            ],
        } + ['description' => $this->ask];
    }

    /**
     * @param  list<self>  $questions
     * @return array<string, mixed> the JSON Schema of answers to all of them
     */
    public static function together(array $questions): array
    {
        $properties = [];
        foreach ($questions as $question) {
            $properties[$question->id] = $question->schema();
        }

        return [
            'type' => 'object', 'additionalProperties' => false, 'properties' => $properties === [] ? new \stdClass : $properties,
            'required' => array_values(array_map(static fn (self $one): string => $one->id, array_filter($questions, static fn (self $one): bool => ! $one->isOptional()))),
        ];
    }

    /** @return array<string, Unit> the names its answer goes by in formulas; of numbers each has its own, as poles_mm_1 */
    public function names(): array
    {
        return match ($this->kind) {
            QuestionKind::Choice => [$this->id => Unit::of('text')],
            QuestionKind::Yes => [$this->id => Unit::of('yes')],
            QuestionKind::Rope => [$this->id.'_diameter_mm' => Unit::of('mm'), $this->id.'_material' => Unit::of('text')],
            QuestionKind::Numbers => array_fill_keys(array_map(fn (int $n): string => "{$this->id}_$n", range(1, $this->times['from'])), Unit::of($this->unit)),
            QuestionKind::Rows => [],
            QuestionKind::Number, QuestionKind::Count => [$this->id => Unit::of($this->unit)],
        } + ($this->isList() ? [$this->id.'_count' => Unit::of('count')] : []);
    }

    public function isList(): bool
    {
        return $this->kind === QuestionKind::Numbers || $this->kind === QuestionKind::Rows;
    }

    /** @return array<string, Unit> the names of one of its numbers or rows, where something is made for each */
    public function eachNames(): array
    {
        return match ($this->kind) {
            QuestionKind::Numbers => ['each' => Unit::of($this->unit)],
            QuestionKind::Rows => array_merge([], ...array_map(static fn (self $field): array => $field->names(), $this->fields)),
            default => [],
        };
    }

    /** @return array<string, float|bool|string> the answer by those names; a default that is a formula is left to the rig */
    public function values(Fields $answers): array
    {
        if (! $answers->has($this->id)) {
            return $this->default === null || is_string($this->default) && $this->kind !== QuestionKind::Choice ? [] : [$this->id => $this->default];
        }
        if ($this->kind === QuestionKind::Rope) {
            $rope = $answers->object($this->id);

            return [$this->id.'_diameter_mm' => $rope->number('diameter_mm'), $this->id.'_material' => $rope->text('material')];
        }
        if ($this->kind === QuestionKind::Numbers) {
            $values = [$this->id.'_count' => (float) count($answers->list($this->id))];
            foreach ($this->list($answers) as $index => $value) {
                $values[$this->id.'_'.($index + 1)] = $value['each'];
            }

            return $values;
        }

        return match ($this->kind) {
            QuestionKind::Choice => [$this->id => $answers->text($this->id)],
            QuestionKind::Yes => [$this->id => $answers->flag($this->id)],
            QuestionKind::Rows => [$this->id.'_count' => (float) count($answers->list($this->id))],
            default => [$this->id => $answers->number($this->id) * Unit::scale($this->unit)],
        };
    }

    /** @return list<array<string, float|bool|string>> of numbers and rows each by its own names */
    public function list(Fields $answers): array
    {
        if ($this->kind === QuestionKind::Rows) {
            return array_map(fn (Fields $row): array => array_merge([], ...array_map(static fn (self $field): array => $field->values($row), $this->fields)), $answers->objects($this->id));
        }
        $values = [];
        foreach ($answers->list($this->id) as $index => $value) {
            $values[] = ['each' => is_int($value) || is_float($value) ? $value * Unit::scale($this->unit) : throw Refusal::of($answers->place($this->id)."/$index", $value, 'data.number')];
        }

        return $values;
    }
}
