<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

use Closure;
use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\Requirement;

/**
 * What a badge asks for in words, for somebody who has never heard of it: a list in Markdown.
 */
final class Criteria
{
    private const LEVELS = [
        'seen' => 'has been shown it', 'with_help' => 'tied with help', 'has_it' => 'tied, dressed and finished without help', 'kept' => 'tied without help, and again on a later day',
        'uses_it' => 'put to use', 'teaches_it' => 'taught to somebody else',
    ];

    private const NOTES = ['say' => 'Says', 'rig' => 'Builds', 'text' => 'Does'];

    /** @param  Closure(string): string  $name  of a knot, by its id */
    public static function of(Requirement $requirement, Closure $name): string
    {
        return implode("\n", self::lines($requirement, $name, ''));
    }

    /**
     * @param  string  $knot  its name
     * @param  ?string  $in  what it is to be used in
     */
    public static function ofKnot(string $knot, Level $level, ?string $in): string
    {
        return "$knot: ".self::LEVELS[$level->value].($in === null ? '' : ", in $in");
    }

    /** @param  string  $kind  say, rig or text */
    public static function ofNote(string $kind, string $words): string
    {
        return (self::NOTES[$kind] ?? self::NOTES['text']).": $words";
    }

    /**
     * @param  Closure(string): string  $name
     * @return list<string>
     */
    private static function lines(Requirement $requirement, Closure $name, string $indent): array
    {
        if ($requirement->leaf !== null) {
            $leaf = $requirement->leaf;

            return ["$indent- ".self::ofKnot($name($leaf->knot), $leaf->level, $leaf->in)];
        }
        if ($requirement->note !== null) {
            return ["$indent- ".self::ofNote($requirement->note->kind, $requirement->note->words)];
        }
        $all = $requirement->needed === count($requirement->parts);
        $inner = array_merge(...array_map(static fn (Requirement $part): array => self::lines($part, $name, $all && $indent === '' ? '' : "$indent  "), $requirement->parts));

        return $all && $indent === '' ? $inner : ["$indent- ".($all ? 'All of these' : "$requirement->needed of these ".count($requirement->parts)), ...$inner];
    }
}
