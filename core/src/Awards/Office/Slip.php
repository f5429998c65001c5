<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use Closure;
use Compadre\Core\Awards\Credential\Criteria;
use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Words\Catalogue;

/**
 * What an office is told of an award: whose it is, and each requirement with the day on which it was met.
 */
final readonly class Slip
{
    /** @param  list<array{name: string, met_on: ?string}>  $requirements */
    private function __construct(
        public string $award,
        private string $learner,
        private string $badge,
        private int $version,
        private string $name,
        private string $decidedOn,
        private bool $isByHand,
        public array $requirements,
    ) {
    }

    /**
     * @param  Fields  $award  id, badge, version, name, decided_on, by_hand, and proof as it was written down with the decision
     * @param  Closure(string): string  $name  of a knot, by its id
     */
    public static function of(Fields $award, string $learner, Closure $name): self
    {
        $proof = $award->object('proof');

        return new self(
            $award->text('id'), $learner, $award->text('badge'), $award->whole('version'), $award->text('name'), $award->text('decided_on'), $award->flag('by_hand'),
            $proof->has('outline') ? self::asked($proof->object('outline'), $name) : [],
        );
    }

    /** @return array{award: string, learner: string, badge: array{id: string, version: int, name: string}, decided_on: string, by_hand: bool, requirements: list<array{name: string, met_on: ?string}>} */
    public function toArray(): array
    {
        return [
            'award' => $this->award, 'learner' => $this->learner, 'badge' => ['id' => $this->badge, 'version' => $this->version, 'name' => $this->name],
            'decided_on' => $this->decidedOn, 'by_hand' => $this->isByHand, 'requirements' => $this->requirements,
        ];
    }

    /**
     * As many of a choice as it asks for, those first that were met: the others were never needed.
     *
     * @param  Closure(string): string  $name
     * @return list<array{name: string, met_on: ?string}>
     */
    private static function asked(Fields $outline, Closure $name): array
    {
        if (! $outline->has('parts')) {
            return [['name' => self::words($outline, $name), 'met_on' => $outline->objectOrNull('since')?->textOrNull('day')]];
        }
        $parts = $outline->objects('parts');
        $places = array_keys($parts);
        // Sorting keeps the order of what is alike.
        usort($places, static fn (int $a, int $b): int => $parts[$b]->flag('met') <=> $parts[$a]->flag('met'));
        $needed = array_intersect_key($parts, array_flip(array_slice($places, 0, $outline->whole('choose', count($parts)))));

        return array_merge(...array_map(static fn (Fields $part): array => self::asked($part, $name), array_values($needed)));
    }

    /** @param  Closure(string): string  $name */
    private static function words(Fields $leaf, Closure $name): string
    {
        return Catalogue::english()->say($leaf->has('knot')
            ? Criteria::ofKnot($name($leaf->text('knot')), $leaf->choice('level', Level::class), $leaf->textOrNull('words'))
            : Criteria::ofNote($leaf->text('note'), $leaf->text('words')));
    }
}
