<?php

declare(strict_types=1);

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Inputs by chance: such as a schema allows, and such as it does not. Words that only the packs know are taken from the packs, so that
 * what is made gets past the door.
 */
final class AnyInput
{
    private readonly Randomizer $random;

    /** @param  array<string, list<string>>  $known  values by the name of a field */
    public function __construct(int $seed, private readonly array $known)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** @param  array<mixed>|bool  $schema */
    public function valid(array|bool $schema, string $name = ''): mixed
    {
        $schema = is_array($schema) ? json_decode((string) json_encode($schema), true) : [];
        if (array_key_exists('const', $schema)) {
            return $schema['const'];
        }
        if (isset($schema['enum'])) {
            return $this->one($schema['enum']);
        }
        foreach (['oneOf', 'anyOf'] as $either) {
            if (isset($schema[$either]) && ! isset($schema['properties'])) {
                return $this->valid($this->one($schema[$either]), $name);
            }
        }
        $type = is_array($schema['type'] ?? null) ? $this->one($schema['type']) : ($schema['type'] ?? 'object');

        return match ($type) {
            'object' => $this->object($schema),
            'array' => $this->some($schema, $name),
            'integer' => $this->random->getInt((int) ceil($this->least($schema)), (int) floor($this->most($schema))),
            'number' => $this->number($schema),
            'boolean' => $this->random->getInt(0, 1) === 1,
            'null' => null,
            default => $this->text($schema, $name),
        };
    }

    /** One thing changed so that something is wrong with it, more often than not. */
    public function spoilt(mixed $input): mixed
    {
        $places = [];
        $this->places($input, [], $places);
        $at = $this->one($places);
        $spoil = $this->random->getInt(0, 3);

        return $this->changed($input, $at, fn (mixed $value): mixed => match (true) {
            $spoil === 0 && is_array($value) && ! array_is_list($value) => $value + ['nobody_asked' => 1],
            $spoil === 1 && is_array($value) && $value !== [] => array_is_list($value) ? array_slice($value, 1) : array_diff_key($value, [$this->one(array_keys($value)) => 0]),
            default => $this->one([null, true, -1, 0, 1e9, 0.5, '', 'no such thing', "\u{1F9F6}", str_repeat('x', 5000), [], ['a' => 1], [[]]]),
        });
    }

    /** One thing changed into another of its kind, so that only who understands what it says finds out. */
    public function mixedUp(mixed $input): mixed
    {
        $places = $words = [];
        $this->places($input, [], $places);
        foreach ($places as $at) {
            $value = $this->valueAt($input, $at);
            is_string($value) ? $words[] = $value : null;
        }
        $places = array_values(array_filter($places, fn (array $at): bool => ! is_array($this->valueAt($input, $at)) || array_is_list($this->valueAt($input, $at)) && count($this->valueAt($input, $at)) > 1));

        return $this->changed($input, $this->one($places), fn (mixed $value): mixed => match (true) {
            is_array($value) => match ($this->random->getInt(0, 2)) {
                0 => array_reverse($value),
                1 => array_slice($value, 1),
                default => [...$value, $this->one($value)],
            },
            is_int($value) => $this->one([$value + 1, $value - 1, $value * 2, 0, -$value, 1]),
            is_float($value) => $this->one([$value * 1.5, -$value, 0.0, $value + 0.25]),
            is_bool($value) => ! $value,
            is_string($value) => $this->one([$this->one($words), $this->one($words), $value.' '.$value]),
            default => $value,
        });
    }

    /** @param  list<int|string>  $at */
    private function valueAt(mixed $input, array $at): mixed
    {
        foreach ($at as $key) {
            $input = $input[$key];
        }

        return $input;
    }

    /** @param  array<mixed>  $schema */
    private function object(array $schema): stdClass
    {
        $made = new stdClass;
        $required = $schema['required'] ?? [];
        foreach ($schema['properties'] ?? [] as $name => $one) {
            if (in_array($name, $required, true) || $this->random->getInt(0, 2) === 0) {
                $made->{$name} = $this->valid($one, (string) $name);
            }
        }
        if (is_array($schema['additionalProperties'] ?? null)) {
            for ($n = $this->random->getInt(0, 2); $n > 0; $n--) {
                $made->{$this->text([], 'knot')} = $this->valid($schema['additionalProperties'], '');
            }
        }

        return $made;
    }

    /** @param  array<mixed>  $schema */
    private function some(array $schema, string $name): array
    {
        $least = $schema['minItems'] ?? 0;
        $count = $this->random->getInt($least, min($schema['maxItems'] ?? 99, $least + 3));

        return $count === 0 ? [] : array_map(fn (): mixed => $this->valid($schema['items'] ?? ['type' => 'number'], $name), range(1, $count));
    }

    /** @param  array<mixed>  $schema */
    private function number(array $schema): float|int
    {
        $least = $this->least($schema);
        $most = $this->most($schema);
        $part = $this->one([0.0, 0.001, 0.03, 0.2, 0.5, 0.8, 1.0]);
        $value = $least + $part * ($most - $least);
        if (isset($schema['exclusiveMinimum']) && $value <= $schema['exclusiveMinimum']) {
            $value = $schema['exclusiveMinimum'] + 1e-3 * ($most - $least);
        }
        if (isset($schema['exclusiveMaximum']) && $value >= $schema['exclusiveMaximum']) {
            $value = $schema['exclusiveMaximum'] - 1e-3 * ($most - $least);
        }

        return $value;
    }

    /** @param  array<mixed>  $schema */
    private function text(array $schema, string $name): string
    {
        if (isset($this->known[$name])) {
            return $this->one($this->known[$name]);
        }
        if (isset($schema['pattern'])) {
            foreach (['2026-11-25', '2026-12-02T18:00:00Z', 'ououou', 'ouuo', '18:30', 'a', 'abc-d', '', 'x1'] as $tried) {
                if (preg_match('~'.str_replace('~', '\~', $schema['pattern']).'~u', $tried) === 1 && $this->random->getInt(0, 1) === 1) {
                    return $tried;
                }
            }

            return '2026-11-30';
        }

        return match ($schema['format'] ?? '') {
            'date' => $this->one(['2026-11-25', '2026-12-02', '2027-02-28']),
            'date-time' => $this->one(['2026-11-25T18:00:00Z', '2026-12-02T08:30:00+01:00']),
            default => $this->one(['a', 'b', 'Ada', 'rope', 'first']),
        };
    }

    /** @param  array<mixed>  $schema */
    private function least(array $schema): float
    {
        return (float) ($schema['minimum'] ?? $schema['exclusiveMinimum'] ?? 0);
    }

    /** @param  array<mixed>  $schema */
    private function most(array $schema): float
    {
        return (float) ($schema['maximum'] ?? $schema['exclusiveMaximum'] ?? $this->least($schema) + 50);
    }

    /**
     * @param  list<int|string>  $at
     * @param  list<list<int|string>>  $places
     */
    private function places(mixed $input, array $at, array &$places): void
    {
        $places[] = $at;
        foreach (is_array($input) ? $input : [] as $key => $value) {
            $this->places($value, [...$at, $key], $places);
        }
    }

    /** @param  list<int|string>  $at */
    private function changed(mixed $input, array $at, Closure $change): mixed
    {
        if ($at === [] || ! is_array($input)) {
            return $change($input);
        }
        $key = array_shift($at);
        $input[$key] = $this->changed($input[$key] ?? null, $at, $change);

        return $input;
    }

    private function one(array $of): mixed
    {
        return $of[array_keys($of)[$this->random->getInt(0, count($of) - 1)]];
    }
}
