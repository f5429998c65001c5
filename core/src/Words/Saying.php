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
     * @param  array<string, string|int|float|Day|self|list<string|int|float|self>>  $parameters  by the names of the message; a unit is part of the name
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
        return self::folded($all, static fn (self $first, self $second): self => new self('any.either', ['first' => $first, 'second' => $second]));
    }

    /**
     * @param  non-empty-list<self>  $all
     * @return self all of them, two by two
     */
    public static function both(array $all): self
    {
        return self::folded($all, static fn (self $first, self $second): self => new self('any.both', ['first' => $first, 'second' => $second]));
    }

    /**
     * @param  non-empty-list<self>  $all
     * @return self all of them, one after another
     */
    public static function sentences(array $all): self
    {
        return self::folded($all, static fn (self $first, self $second): self => new self('any.sentences', ['first' => $first, 'second' => $second]));
    }

    /** @return array{code: string, parameters: array<string, mixed>} for JSON: days as 2026-11-24, sayings within as this one */
    public function toArray(): array
    {
        return ['code' => $this->code, 'parameters' => array_map(self::plain(...), $this->parameters)];
    }

    /**
     * @param  non-empty-list<self>  $all
     * @param  callable(self, self): self  $join
     */
    private static function folded(array $all, callable $join): self
    {
        $said = array_shift($all);
        foreach ($all as $next) {
            $said = $join($said, $next);
        }

        return $said;
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof Day => $value->date,
            $value instanceof self => $value->toArray(),
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }
}
