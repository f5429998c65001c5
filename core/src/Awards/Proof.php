<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

use Compadre\Core\Data\Fields;

/**
 * What a badge asked for and what met it, as it was written down when the badge was decided.
 */
final readonly class Proof
{
    /** @param  list<Fields>  $leaves  the single requirements, in the badge's order */
    private function __construct(public string $about, private array $leaves)
    {
    }

    /** @param  Fields  $kept  about, and outline: the tree as Evidence wrote it */
    public static function from(Fields $kept): self
    {
        return new self($kept->text('about', ''), $kept->has('outline') ? self::leaves($kept->object('outline')) : []);
    }

    /** @return list<string> the knots that were shown, each once; all of the badge where it was given on a leader's word alone */
    public function knots(): array
    {
        $met = array_filter($this->leaves, static fn (Fields $leaf): bool => $leaf->flag('met'));
        $named = array_filter($met === [] ? $this->leaves : $met, static fn (Fields $leaf): bool => $leaf->has('knot'));

        return array_values(array_unique(array_map(static fn (Fields $leaf): string => $leaf->text('knot'), $named)));
    }

    /** @return list<array{knot: ?string, level: ?string, words: ?string, day: ?string, by: ?string, place: ?string, rig: ?string, prior: bool}> what was met, and how */
    public function done(): array
    {
        $done = [];
        foreach ($this->leaves as $leaf) {
            if (! $leaf->flag('met')) {
                continue;
            }
            $since = $leaf->objectOrNull('since') ?? Fields::of([]);
            $done[] = [
                'knot' => $leaf->textOrNull('knot'), 'level' => $leaf->textOrNull('level'), 'words' => $leaf->textOrNull('words'), 'day' => $since->textOrNull('day'),
                'by' => $since->textOrNull('by'), 'place' => $since->textOrNull('place'), 'rig' => $since->textOrNull('rig'), 'prior' => $since->flag('prior'),
            ];
        }

        return $done;
    }

    /** @return list<Fields> */
    private static function leaves(Fields $outline): array
    {
        return $outline->has('parts') ? array_merge(...array_map(self::leaves(...), $outline->objects('parts'))) : [$outline];
    }
}
