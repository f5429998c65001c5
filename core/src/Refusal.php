<?php

declare(strict_types=1);

namespace Compadre\Core;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;
use DomainException;

/**
 * Something handed to the core that cannot be: it names the field (a JSON pointer), the value, and by a code what is allowed.
 * The code is that of a message which says what is allowed, or of two: `allowed`, and `message`, a sentence of its own.
 */
final class Refusal extends DomainException
{
    /** What is allowed, in English. */
    public readonly string $allowed;

    private function __construct(public readonly string $field, public readonly mixed $value, public readonly Saying $why, private readonly string $where = '')
    {
        $this->allowed = $this->allowedIn(Catalogue::english());
        parent::__construct($this->messageIn(Catalogue::english()));
    }

    /** @param  array<string, string|int|float|Words\Day|Words\Within|Words\Filled|Saying|list<string|int|float|Words\Day|Words\Within|Saying>>  $parameters  what the messages of the code ask for */
    public static function of(string $field, mixed $value, string $code, array $parameters = []): self
    {
        return new self($field, $value, new Saying($code, $parameters));
    }

    public static function because(string $field, mixed $value, Saying $why): self
    {
        return new self($field, $value, $why);
    }

    /** The same refusal, with its field found below another pointer. */
    public function below(string $pointer): self
    {
        return $this->at($pointer.$this->field);
    }

    /** The same refusal, of another field. */
    public function at(string $field): self
    {
        return new self($field, $this->value, $this->why, $this->where);
    }

    /** The same refusal, of something in a file, which its sentence then begins with. */
    public function in(string $file): self
    {
        return new self($this->field, $this->value, $this->why, $file);
    }

    /** Whether it has a sentence of its own; else that is made of the field, the value and what is allowed. */
    public function hasSentence(): bool
    {
        return Catalogue::english()->has($this->why->code.'.message');
    }

    /** What is allowed, to be put into another sentence. */
    public function allowed(): Saying
    {
        return $this->hasSentence() ? new Saying($this->why->code.'.allowed', $this->why->parameters) : $this->why;
    }

    /** Its sentence, to be put into another. */
    public function sentence(): Saying
    {
        return $this->hasSentence()
            ? new Saying($this->why->code.'.message', $this->why->parameters)
            : new Saying('any.refused', ['field' => $this->named(), 'value' => self::shown($this->value), 'allowed' => $this->why]);
    }

    public function allowedIn(Catalogue $words): string
    {
        return $words->say($this->allowed());
    }

    public function messageIn(Catalogue $words): string
    {
        // A sentence of its own does not say the field: whoever mends a file is told.
        $where = $this->where === '' ? '' : "$this->where: ".($this->field !== '' && $this->hasSentence() ? "$this->field: " : '');

        return $where.$words->say($this->sentence());
    }

    /** @return array{field: string, value: mixed, allowed: string, message: string, code: string, parameters: object} */
    public function toArray(?Catalogue $words = null): array
    {
        $words ??= Catalogue::english();
        $why = $this->why->toArray();

        return ['field' => $this->field, 'value' => $this->value, 'allowed' => $this->allowedIn($words), 'message' => $this->messageIn($words), 'code' => $why['code'], 'parameters' => (object) $why['parameters']];
    }

    private function named(): string|Saying
    {
        return $this->field === '' ? new Saying('any.input') : $this->field;
    }

    private static function shown(mixed $value): string
    {
        $json = json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PARTIAL_OUTPUT_ON_ERROR);

        return mb_strimwidth($json === false ? get_debug_type($value) : $json, 0, 80, '…');
    }
}
