<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Words that name a side, as they read beside a drawing.
 */
final readonly class Sides
{
    private const ENGLISH = ['left' => 'right', 'right' => 'left'];

    /** What says `left` or `right` in English and means no side. */
    private const OTHERWISE = '(?! (?:out|behind|standing|unwatched|round|angles?|way)\b|-laid)';

    /** @param  array<string, string>  $other  what the other side is called, in small letters */
    private function __construct(private array $other)
    {
    }

    public static function english(): self
    {
        return new self(self::ENGLISH);
    }

    /**
     * @param  array<string, string>  $other  what the other side is called in another language, in small letters; what that lacks stays
     *                                        English, and so do its sides
     */
    public static function of(array $other): self
    {
        return new self($other + self::ENGLISH);
    }

    /**
     * For the left hand everything is the mirror image, the sides in the words with it. From across and from behind the words stay
     * those of whoever ties: they are read out to them.
     */
    public function told(View $view, string $words): string
    {
        if ($view !== View::Left) {
            return $words;
        }
        $named = implode('|', array_map(static fn (string $one): string => preg_quote($one, '/').(isset(self::ENGLISH[$one]) ? '\b'.self::OTHERWISE : '\b'), array_keys($this->other)));

        return (string) preg_replace_callback("/\\b(?:$named)/iu", fn (array $found): string => $this->turned($found[0]), $words);
    }

    private function turned(string $word): string
    {
        $small = mb_strtolower($word);
        $other = $this->other[$small] ?? $word;

        return match ($word) {
            $small => $other,
            mb_strtoupper(mb_substr($word, 0, 1)).mb_substr($small, 1) => mb_strtoupper(mb_substr($other, 0, 1)).mb_substr($other, 1),
            default => $word,
        };
    }
}
