<?php

declare(strict_types=1);

namespace App\Bench;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * A rig as an address asks for it: its answers and the knots in its places as JSON, the rope and the meeting by their ids.
 */
final readonly class RigAsked
{
    /** @param  array<string, string>  $knots  by place */
    private function __construct(public string $rig, public Fields $answers, public array $knots, public ?string $rope, public ?string $meeting, public bool $isForLearners)
    {
    }

    /** @param  array<array-key, mixed>  $query */
    public static function from(string $rig, array $query): self
    {
        return new self(
            $rig, Fields::of(self::json($query, 'answers'), '/answers'), Fields::of(['knots' => self::json($query, 'knots')])->words('knots'),
            self::text($query, 'rope'), self::text($query, 'meeting'), self::text($query, 'audience') === 'learners',
        );
    }

    /** @param  array<array-key, mixed>  $query */
    private static function text(array $query, string $name): ?string
    {
        $value = $query[$name] ?? null;

        return is_string($value) && $value !== '' ? $value : null;
    }

    /** @param  array<array-key, mixed>  $query */
    private static function json(array $query, string $name): mixed
    {
        $text = self::text($query, $name) ?? '{}';
        $read = Json::read($text, "/$name");

        return is_object($read) ? Json::arrays($read) : throw Refusal::of("/$name", $text, 'bench.json');
    }
}
