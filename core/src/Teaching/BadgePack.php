<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Data\Fields;

/**
 * A badge or rank as its pack describes it. Ages in years, both included.
 */
final readonly class BadgePack
{
    /** @param  list<string>  $after  badges that come before it */
    public function __construct(
        public string $id,
        public int $version,
        public string $name,
        public string $about,
        public int $ageFrom,
        public int $ageTo,
        public Requirement $requirement,
        public array $after = [],
    ) {
    }

    public static function from(Fields $pack): self
    {
        $ages = $pack->object('ages');

        return new self(
            $pack->text('id'), $pack->whole('version'), $pack->text('name'), $pack->text('about'),
            $ages->whole('from'), $ages->whole('to'), Requirement::from($pack->object('requirement')), $pack->texts('after'),
        );
    }

    /** @return list<string> the knots it names, each once */
    public function knots(): array
    {
        return array_values(array_unique(array_map(static fn (Leaf $leaf): string => $leaf->knot, $this->requirement->leaves())));
    }
}
