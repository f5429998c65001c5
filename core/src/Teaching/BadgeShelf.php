<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * The badges of a folder of packs.
 */
final readonly class BadgeShelf
{
    /** @param  array<string, BadgePack>  $badges by id */
    private function __construct(private array $badges)
    {
    }

    public static function at(string $folder): self
    {
        $badges = [];
        foreach (glob($folder.'/badges/*.json') ?: [] as $file) {
            $badges[basename($file, '.json')] = BadgePack::from(Fields::of(Json::arrays(Json::file($file))));
        }

        return new self($badges);
    }

    /** @return array<string, BadgePack> */
    public function all(): array
    {
        return $this->badges;
    }

    public function has(string $id): bool
    {
        return isset($this->badges[$id]);
    }

    public function badge(string $id, string $field = '/badge'): BadgePack
    {
        return $this->badges[$id] ?? throw Refusal::of($field, $id, 'one of '.implode(', ', array_keys($this->badges)));
    }

    /** @param  array<string, mixed>  $schema */
    public function verify(string $folder, array $schema, Library $knots): void
    {
        foreach ($this->badges as $id => $badge) {
            Schema::hold(Json::file("$folder/badges/$id.json"), $schema);
            if ($badge->id !== $id) {
                throw Refusal::of('/id', $badge->id, "the name of its file, $id");
            }
            foreach ($badge->knots() as $knot) {
                $knots->knot($knot, "badge $id, knot");
            }
        }
    }
}
