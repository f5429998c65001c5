<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * Sayings as they are written down, to be said later in any language.
 */
final class Written
{
    /** One sign that no sentence begins with. */
    private const FIRST = '{';

    public static function text(Saying $saying): string
    {
        return Json::write(self::value($saying));
    }

    /** @return array{code: string, with: array<string, mixed>} */
    public static function value(Saying $saying): array
    {
        return ['code' => $saying->code, 'with' => array_map(self::plain(...), $saying->parameters)];
    }

    /** What was written down before sayings were, is a sentence: it stays as it was written. */
    public static function read(mixed $written): Saying
    {
        if (is_string($written) && str_starts_with($written, self::FIRST)) {
            try {
                $written = Json::arrays(Json::read($written));
            } catch (Refusal) {
                return Saying::just($written);
            }
        }

        return is_array($written) && is_string($written['code'] ?? null) ? self::saying($written['code'], $written['with'] ?? []) : Saying::just(is_string($written) ? $written : '');
    }

    private static function saying(string $code, mixed $with): Saying
    {
        $parameters = [];
        foreach (is_array($with) ? $with : [] as $name => $value) {
            $parameters[(string) $name] = is_array($value) && array_is_list($value) ? array_map(self::one(...), $value) : self::one($value);
        }

        return new Saying($code, $parameters);
    }

    private static function one(mixed $value): string|int|float|Day|Within|Saying
    {
        return match (true) {
            is_string($value), is_int($value), is_float($value) => $value,
            is_array($value) && is_string($value['day'] ?? null) => new Day($value['day']),
            is_array($value) && isset($value['within']) => new Within(is_string($value['within']) ? $value['within'] : self::read($value['within'])),
            default => self::read($value),
        };
    }

    private static function plain(mixed $value): mixed
    {
        return match (true) {
            $value instanceof Saying => self::value($value),
            $value instanceof Day => ['day' => $value->date],
            $value instanceof Within => ['within' => self::plain($value->text)],
            is_array($value) => array_map(self::plain(...), $value),
            default => $value,
        };
    }
}
