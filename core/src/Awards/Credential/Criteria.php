<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Closure;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\Requirement;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * What a badge asks for in words, for somebody who has never heard of it: a list in Markdown.
 */
final class Criteria
{
    private const LEVELS = [
        'seen' => 'awards.level_seen', 'with_help' => 'awards.level_with_help', 'has_it' => 'awards.level_has_it', 'kept' => 'awards.level_kept',
        'uses_it' => 'awards.level_uses_it', 'teaches_it' => 'awards.level_teaches_it',
    ];

    private const NOTES = ['say' => 'awards.criterion_say', 'rig' => 'awards.criterion_rig', 'text' => 'awards.criterion_text'];

    /** @param  Closure(string): string  $name  of a knot, by its id */
    public static function of(Requirement $requirement, Closure $name, Catalogue $words): string
    {
        return implode("\n", self::lines($requirement, $name, $words, ''));
    }

    /**
     * @param  string  $knot  its name
     * @param  ?string  $in  what it is to be used in
     */
    public static function ofKnot(string $knot, Level $level, ?string $in): Saying
    {
        $about = ['knot' => $knot, 'level' => new Saying(self::LEVELS[$level->value])];

        return $in === null ? new Saying('awards.criterion', $about) : new Saying('awards.criterion_in', $about + ['rig' => $in]);
    }

    /** @param  string  $kind  say, rig or text */
    public static function ofNote(string $kind, string $words): Saying
    {
        return new Saying(self::NOTES[$kind] ?? self::NOTES['text'], ['words' => $words]);
    }

    /**
     * @param  Closure(string): string  $name
     * @return list<string>
     */
    private static function lines(Requirement $requirement, Closure $name, Catalogue $words, string $indent): array
    {
        if ($requirement->leaf !== null) {
            $leaf = $requirement->leaf;

            return ["$indent- ".$words->say(self::ofKnot($name($leaf->knot), $leaf->level, $leaf->in))];
        }
        if ($requirement->note !== null) {
            return ["$indent- ".$words->say(self::ofNote($requirement->note->kind, $requirement->note->words))];
        }
        $all = $requirement->needed === count($requirement->parts);
        $inner = array_merge(...array_map(static fn (Requirement $part): array => self::lines($part, $name, $words, $all && $indent === '' ? '' : "$indent  "), $requirement->parts));

        return $all && $indent === '' ? $inner : ["$indent- ".$words->say($all ? new Saying('awards.criterion_all') : new Saying('awards.criterion_some', ['some' => $requirement->needed, 'all' => count($requirement->parts)])), ...$inner];
    }
}
