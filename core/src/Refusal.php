<?php

declare(strict_types=1);

namespace Compadre\Core;

use DomainException;

/**
 * Something handed to the core that cannot be: it names the field (a JSON pointer), the value and what is allowed.
 */
final class Refusal extends DomainException
{
    private function __construct(
        public readonly string $field,
        public readonly mixed $value,
        public readonly string $allowed,
        string $message,
    ) {
        parent::__construct($message);
    }

    public static function of(string $field, mixed $value, string $allowed): self
    {
        return new self($field, $value, $allowed, sprintf('%s is %s; allowed: %s.', self::nameOf($field), self::shown($value), $allowed));
    }

    public static function saying(string $field, mixed $value, string $allowed, string $message): self
    {
        return new self($field, $value, $allowed, $message);
    }

    /** The same refusal, with its field found below another pointer. */
    public function below(string $pointer): self
    {
        return new self($pointer.$this->field, $this->value, $this->allowed, $this->getMessage());
    }

    /** @return array{field: string, value: mixed, allowed: string, message: string} */
    public function toArray(): array
    {
        return ['field' => $this->field, 'value' => $this->value, 'allowed' => $this->allowed, 'message' => $this->getMessage()];
    }

    private static function nameOf(string $field): string
    {
        return $field === '' ? 'the input' : $field;
    }

    private static function shown(mixed $value): string
    {
        $json = json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PARTIAL_OUTPUT_ON_ERROR);

        return mb_strimwidth($json === false ? get_debug_type($value) : $json, 0, 80, '…');
    }
}
