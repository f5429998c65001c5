<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

/**
 * Something to be said, in no language yet: which sentence, and what is put in. A catalogue says it.
 */
final readonly class Saying
{
    /**
     * @param  string  $code  the room and the key of a message of `words/`, such as "any.one_of"
     * @param  array<string, string|int|float|Day|Within|Filled|self|list<string|int|float|Day|Within|self>>  $parameters  by the names of the message; a unit is part of the name
     */
    public function __construct(public string $code, public array $parameters = [])
    {
    }

    /**
     * @param  non-empty-list<self>  $all
     * @return self all of them, two by two
     */
    public static function either(array $all): self
    {
        return self::joined('any.either', $all);
    }

    /**
     * @param  non-empty-list<self>  $all
     * @return self all of them, two by two
     */
    public static function both(array $all): self
    {
        return self::joined('any.both', $all);
    }

    /**
     * @param  non-empty-list<self>  $all
     * @return self all of them, one after another
     */
    public static function sentences(array $all): self
    {
        return self::joined('any.sentences', $all);
    }

    /**
     * @param  string  $code  of a message that puts a `first` and a `second` together
     * @param  list<self>  $all
     * @return self all of them, two by two; of none nothing is said
     */
    public static function joined(string $code, array $all): self
    {
        $said = array_shift($all) ?? self::just('');
        foreach ($all as $next) {
            $said = new self($code, ['first' => $said, 'second' => $next]);
        }

        return $said;
    }

    /** What a pack says, as it stands there. */
    public static function just(string|Within|Filled $text): self
    {
        return new self('any.just', ['text' => $text]);
    }

    /**
     * @param  callable(string): string  $tell
     * @return self the same, with what packs say in it told in another way
     */
    public function told(callable $tell): self
    {
        return new self($this->code, array_map(static fn (mixed $value): mixed => match (true) {
            $value instanceof Within => new Within($value->text instanceof self ? $value->text->told($tell) : $tell($value->text)),
            $value instanceof self => $value->told($tell),
            default => is_string($value) ? $tell($value) : $value,
        }, $this->parameters));
    }

    /** @return array{code: string, parameters: array<string, mixed>} for JSON: days as 2026-11-24, sayings within as this one */
    public function toArray(): array
    {
        return ['code' => $this->code, 'parameters' => array_map(self::plain(...), $this->parameters)];
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof Day => $value->date,
            $value instanceof Within => self::plain($value->text),
            $value instanceof Filled => ['text' => $value->text, 'values' => array_map(self::plain(...), $value->values)],
            $value instanceof self => $value->toArray(),
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }
}
