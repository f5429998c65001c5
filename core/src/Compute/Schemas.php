<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use BackedEnum;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\View;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\TailSchool;

/**
 * The pieces that the schemas of several operations share.
 */
final class Schemas
{
    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $optional
     * @return array<string, mixed>
     */
    public static function object(array $properties, array $optional = []): array
    {
        return [
            'type' => 'object', 'additionalProperties' => false,
            'required' => array_values(array_diff(array_keys($properties), $optional)),
            'properties' => $properties === [] ? new \stdClass : $properties,
        ];
    }

    /**
     * @param  array<string, mixed>  $items
     * @return array<string, mixed>
     */
    public static function listOf(array $items): array
    {
        return ['type' => 'array', 'items' => $items];
    }

    /** @return array<string, mixed> */
    public static function text(int $most = 200): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => $most];
    }

    /**
     * @param  class-string<BackedEnum>  $choice
     * @return array<string, mixed> the words an enum's cases are written as
     */
    public static function choice(string $choice): array
    {
        return ['enum' => array_column($choice::cases(), 'value')];
    }

    /** @return array<string, mixed> a diameter in mm */
    public static function diameter(): array
    {
        return ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 100];
    }

    /** @return array<string, mixed> */
    public static function material(): array
    {
        return self::choice(Material::class);
    }

    /** @return array<string, mixed> */
    public static function measure(): array
    {
        return self::choice(Measure::class);
    }

    /** @return array<string, mixed> */
    public static function school(): array
    {
        return self::choice(TailSchool::class) + ['default' => TailSchool::Longer->value];
    }

    /** @return array<string, mixed> */
    public static function seen(): array
    {
        return self::choice(Seen::class);
    }

    /** @return array<string, mixed> */
    public static function verdict(): array
    {
        return self::choice(Verdict::class);
    }

    /** @return array<string, mixed> */
    public static function view(): array
    {
        return self::choice(View::class) + ['default' => View::Learner->value];
    }

    /** @return array<string, mixed> */
    public static function day(): array
    {
        return ['type' => 'string', 'format' => 'date'];
    }

    /** @return array<string, mixed> a day, or a moment whose date counts */
    public static function now(): array
    {
        return ['type' => 'string', 'pattern' => '^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])(T([01]\d|2[0-3]):[0-5]\d(:([0-5]\d|60)(\.\d{1,9})?)?(Z|[+-]([01]\d|2[0-3]):[0-5]\d)?)?$', 'x-allowed' => 'a date as 2026-11-24, or a time as 2026-11-24T18:30:00Z'];
    }

    /** @return array<string, mixed> whose eyes it is for: what is for leaders only has no name before learners */
    public static function audience(): array
    {
        return ['enum' => ['leaders', 'learners'], 'default' => 'leaders'];
    }

    public static function isForLearners(Fields $input): bool
    {
        return $input->text('audience', 'leaders') === 'learners';
    }

    /** The day that `now` is on. */
    public static function dayOf(Fields $input): string
    {
        $now = $input->text('now');
        [$year, $month, $day] = array_map(intval(...), explode('-', substr($now, 0, 10)));

        return checkdate($month, $day, $year) ? substr($now, 0, 10) : throw Refusal::of($input->place('now'), $now, 'compute.day');
    }

    /** @return array<string, mixed> */
    public static function rope(): array
    {
        return self::object([
            'diameter_mm' => self::diameter(), 'material' => self::material(), 'wet' => ['type' => 'boolean'],
            'width_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 200],
        ], ['wet', 'width_mm']);
    }

    /** @return array<string, mixed> what a knot tied wrong comes to */
    public static function becomes(): array
    {
        return self::object(['kind' => ['enum' => ['same', 'equally-good', 'knot', 'falls-out', 'unnamed']], 'knot' => ['type' => ['string', 'null']]]);
    }

    /** @return array<string, mixed> */
    public static function mistake(): array
    {
        return self::object(['id' => self::text(), 'sign' => self::text(400), 'cause' => self::text(400), 'fix' => self::text(400)]);
    }
}
