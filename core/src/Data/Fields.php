<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use BackedEnum;
use Compadre\Core\Refusal;

/**
 * A JSON object read field by field, each as the type it has to be. Every refusal names its place.
 */
final readonly class Fields
{
    /** @param  array<mixed>  $data */
    private function __construct(private array $data, public string $at)
    {
    }

    public static function of(mixed $data, string $at = ''): self
    {
        if (! is_array($data)) {
            throw Refusal::of($at, $data, 'data.object');
        }

        return new self($data, $at);
    }

    public function has(string $name): bool
    {
        return isset($this->data[$name]);
    }

    public function text(string $name, ?string $default = null): string
    {
        $value = $this->data[$name] ?? $default;

        return is_string($value) ? $value : throw Refusal::of($this->place($name), $value, 'data.text');
    }

    public function textOrNull(string $name): ?string
    {
        return $this->has($name) ? $this->text($name) : null;
    }

    /**
     * One of the words that an enum's cases are written as.
     *
     * @template Choice of BackedEnum
     *
     * @param  class-string<Choice>  $choice
     * @param  ?Choice  $default  where the entry is missing; null: it may not be
     * @return Choice
     */
    public function choice(string $name, string $choice, ?BackedEnum $default = null): BackedEnum
    {
        if ($default !== null && ! $this->has($name)) {
            return $default;
        }
        $value = $this->data[$name] ?? null;

        return (is_string($value) ? $choice::tryFrom($value) : null)
            ?? throw Refusal::of($this->place($name), $value, 'any.one_of', ['list' => array_column($choice::cases(), 'value')]);
    }

    /**
     * @template Choice of BackedEnum
     *
     * @param  class-string<Choice>  $choice
     * @return ?Choice
     */
    public function choiceOrNull(string $name, string $choice): ?BackedEnum
    {
        return $this->has($name) ? $this->choice($name, $choice) : null;
    }

    public function whole(string $name, ?int $default = null): int
    {
        $value = $this->data[$name] ?? $default;

        return is_int($value) ? $value : throw Refusal::of($this->place($name), $value, 'data.whole');
    }

    public function wholeOrNull(string $name): ?int
    {
        return $this->has($name) ? $this->whole($name) : null;
    }

    public function number(string $name, ?float $default = null): float
    {
        $value = $this->data[$name] ?? $default;

        return is_int($value) || is_float($value) ? (float) $value : throw Refusal::of($this->place($name), $value, 'data.number');
    }

    public function numberOrNull(string $name): ?float
    {
        return $this->has($name) ? $this->number($name) : null;
    }

    public function flag(string $name, bool $default = false): bool
    {
        $value = $this->data[$name] ?? $default;

        return is_bool($value) ? $value : throw Refusal::of($this->place($name), $value, 'data.flag');
    }

    public function object(string $name): self
    {
        return self::of($this->data[$name] ?? null, $this->place($name));
    }

    public function objectOrNull(string $name): ?self
    {
        return $this->has($name) ? $this->object($name) : null;
    }

    /** @return list<self> */
    public function objects(string $name): array
    {
        $found = [];
        foreach ($this->list($name) as $index => $entry) {
            $found[] = self::of($entry, $this->place($name).'/'.$index);
        }

        return $found;
    }

    /** @return array<string, self> by key */
    public function map(string $name): array
    {
        $found = [];
        foreach ($this->has($name) ? $this->object($name)->data : [] as $key => $entry) {
            $found[(string) $key] = self::of($entry, $this->place($name).'/'.$key);
        }

        return $found;
    }

    /** @return array<string, float> by key */
    public function numbers(string $name): array
    {
        $object = $this->object($name);
        $found = [];
        foreach (array_keys($object->data) as $key) {
            $found[(string) $key] = $object->number((string) $key);
        }

        return $found;
    }

    /** @return array<string, string> by key; an absent object is an empty one */
    public function words(string $name): array
    {
        $found = [];
        if ($this->has($name)) {
            $object = $this->object($name);
            foreach (array_keys($object->data) as $key) {
                $found[(string) $key] = $object->text((string) $key);
            }
        }

        return $found;
    }

    /** @return list<string> */
    public function texts(string $name): array
    {
        $found = [];
        foreach ($this->list($name) as $index => $entry) {
            $found[] = is_string($entry) ? $entry : throw Refusal::of($this->place($name).'/'.$index, $entry, 'data.text');
        }

        return $found;
    }

    /** @return list<mixed> an absent list is an empty one */
    public function list(string $name): array
    {
        $value = $this->data[$name] ?? [];

        return is_array($value) && array_is_list($value) ? $value : throw Refusal::of($this->place($name), $value, 'data.list');
    }

    /** @return array<mixed> */
    public function raw(): array
    {
        return $this->data;
    }

    public function place(string $name): string
    {
        return $this->at.Pointer::of([$name]);
    }
}
