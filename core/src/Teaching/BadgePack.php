<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * A badge or rank as its pack describes it. Ages in years, both included.
 */
final readonly class BadgePack
{
    /**
     * @param  list<string>  $after  badges that come before it
     * @param  bool  $scenario  whether it belongs to the sample scenario, and is offered to no real group
     */
    public function __construct(
        public string $id,
        public int $version,
        public string $name,
        public string $about,
        public int $ageFrom,
        public int $ageTo,
        public Requirement $requirement,
        public array $after = [],
        public bool $scenario = false,
    ) {
    }

    public static function from(Fields $pack): self
    {
        $ages = $pack->object('ages');

        return new self(
            $pack->text('id'), $pack->whole('version'), $pack->text('name'), $pack->text('about'),
            $ages->whole('from'), $ages->whole('to'), Requirement::from($pack->object('requirement')), $pack->texts('after'), $pack->flag('scenario'),
        );
    }

    /**
     * A badge made by ticking knots: all of them, or any so many.
     *
     * @param  non-empty-list<string>  $knots
     * @param  ?int  $any  so many of them are enough; null: all
     * @param  list<string>  $taken  ids that other badges have
     * @return array<string, mixed> as packs/schema/badge.schema.json
     */
    public static function ofTicked(string $name, array $knots, ?int $any, int $ageFrom, int $ageTo, array $taken, Catalogue $words): array
    {
        if ($any !== null && $any > count($knots)) {
            throw Refusal::of('/any', $any, 'teaching.any', ['knots' => count($knots)]);
        }
        $plain = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($name)), '-');
        $start = substr(preg_match('/^[a-z]/', $plain) === 1 ? $plain : trim("badge-$plain", '-'), 0, 50);
        $id = rtrim($start, '-');
        for ($number = 2; in_array($id, $taken, true); $number++) {
            $id = rtrim($start, '-')."-$number";
        }
        $leaves = array_map(static fn (string $knot): array => ['knot' => $knot, 'level' => Level::HasIt->value], $knots);

        return [
            'id' => $id, 'version' => 1, 'name' => $name, 'about' => $words->say($any === null ? new Saying('teaching.all_ticked') : new Saying('teaching.any_ticked', ['any' => $any])), 'ages' => ['from' => $ageFrom, 'to' => $ageTo],
            'requirement' => $any === null ? ['all' => $leaves] : ['choose' => $any, 'of' => $leaves],
        ];
    }

    /** @return list<string> the knots it names, each once */
    public function knots(): array
    {
        return array_values(array_unique(array_map(static fn (Leaf $leaf): string => $leaf->knot, $this->requirement->leaves())));
    }
}
