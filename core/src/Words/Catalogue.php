<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

use DateTimeImmutable;
use DateTimeZone;
use IntlDateFormatter;
use LogicException;
use MessageFormatter;
use NumberFormatter;

/**
 * What the core and the server say, in a language: the ICU messages of `words/LANGUAGE/answers/ROOM.json`. What a language
 * lacks is said in English.
 */
final class Catalogue
{
    /** English, which all others stand over. Days are written with the day first, as 3 October 2026. */
    private const ENGLISH = 'en';

    private const ENGLISH_LOCALE = 'en_GB';

    /** Digits after the point, at most: what is reckoned has no more that mean anything. */
    private const DIGITS = 12;

    private static ?self $english = null;

    /** @var array<string, array<mixed>> the files that were read, by room */
    private array $rooms = [];

    /** @var array<string, array{string, self}> messages by code, each with the catalogue that has it */
    private array $found = [];

    /** @var array<string, array{MessageFormatter, list<string>}> by text */
    private array $formats = [];

    private readonly string $locale;

    private ?NumberFormatter $numbers = null;

    /** @param  string  $language  as browsers name it */
    private function __construct(private readonly string $folder, public readonly string $language, private readonly ?self $under)
    {
        $this->locale = $language === self::ENGLISH ? self::ENGLISH_LOCALE : $language;
    }

    public static function english(): self
    {
        $folder = dirname(__DIR__, 3).'/words/'.self::ENGLISH;

        return self::$english ??= new self("$folder/answers", self::ENGLISH, null);
    }

    /**
     * @param  string  $words  the folder of all languages
     * @param  string  $language  one of those that {@see languages()} names
     */
    public static function of(string $words, string $language): self
    {
        return $language === self::ENGLISH ? self::english() : new self("$words/$language/answers", $language, self::english());
    }

    /**
     * @param  string  $words  the folder of all languages
     * @return non-empty-list<string> as browsers name them, English first
     */
    public static function languages(string $words): array
    {
        $others = array_map(basename(...), glob("$words/*", GLOB_ONLYDIR) ?: []);

        return [self::ENGLISH, ...array_values(array_diff($others, [self::ENGLISH]))];
    }

    /** Whether there is a message of this code. */
    public function has(string $code): bool
    {
        return $this->find($code) !== null;
    }

    public function say(Saying $saying): string
    {
        [$text, $by] = $this->found[$saying->code] ??= $this->find($saying->code) ?? throw new LogicException("words/ has no message \"$saying->code\".");
        if (! str_contains($text, '{')) {
            return $text;
        }
        [$format, $counted] = $by->formats[$text] ??= $by->format($text);
        $values = [];
        foreach ($saying->parameters as $name => $value) {
            // A number that a message counts by stays one; any other is written here, since ICU would group its digits.
            $values[$name] = (is_int($value) || is_float($value)) && in_array($name, $counted, true) ? $value : $this->written($value, $by);
        }
        $said = $format->format($values);

        return $said === false ? throw new LogicException("words/: \"$saying->code\" cannot be said: ".$format->getErrorMessage()) : $said;
    }

    /** @return array{MessageFormatter, list<string>} a message, read, and what it counts by */
    private function format(string $text): array
    {
        preg_match_all('/\{(\w+), *(?:plural|selectordinal|number)/', $text, $counted);

        return [new MessageFormatter($this->locale, $text), $counted[1]];
    }

    /** @return ?array{string, self} the message, and the catalogue that has it */
    private function find(string $code): ?array
    {
        $found = $this->room(explode('.', $code, 2)[0]);
        foreach (explode('.', $code) as $key) {
            $found = is_array($found) ? $found[$key] ?? null : null;
        }

        return is_string($found) ? [$found, $this] : $this->under?->find($code);
    }

    /** @return array<mixed> */
    private function room(string $room): array
    {
        if (! isset($this->rooms[$room])) {
            $file = "$this->folder/$room.json";
            $read = is_file($file) ? json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) : [];
            $this->rooms[$room] = is_array($read) ? $read : [];
        }

        return $this->rooms[$room];
    }

    /** @param  self  $by  whose language numbers and days are written in: that of the sentence they stand in */
    private function written(mixed $value, self $by): string
    {
        return match (true) {
            $value instanceof Saying => $this->say($value),
            $value instanceof Day => $by->day($value),
            $value instanceof Within => $by->within($value),
            $value instanceof Filled => $this->filled($value, $by),
            is_array($value) => implode(', ', array_map(fn (mixed $one): string => $this->written($one, $by), $value)),
            is_int($value), is_float($value) => $by->number($value),
            default => is_string($value) ? mb_scrub($value) : '',
        };
    }

    /** English alone begins a name with a capital that it does not have in the middle of a sentence. */
    private function within(Within $value): string
    {
        $text = $value->text instanceof Saying ? $this->say($value->text) : $value->text;

        return $this->under === null ? lcfirst($text) : $text;
    }

    private function filled(Filled $value, self $by): string
    {
        return (string) preg_replace_callback('/\{(\w+)\}/', fn (array $name): string => $this->written($value->values[$name[1]] ?? '', $by), $value->text);
    }

    private function number(int|float $value): string
    {
        if ($this->numbers === null) {
            $this->numbers = new NumberFormatter($this->locale, NumberFormatter::DECIMAL);
            $this->numbers->setAttribute(NumberFormatter::GROUPING_USED, 0);
            $this->numbers->setAttribute(NumberFormatter::MAX_FRACTION_DIGITS, self::DIGITS);
        }

        return (string) $this->numbers->format($value);
    }

    private function day(Day $day): string
    {
        $format = new IntlDateFormatter($this->locale, IntlDateFormatter::LONG, IntlDateFormatter::NONE, 'UTC');

        return (string) $format->format(new DateTimeImmutable($day->date, new DateTimeZone('UTC')));
    }
}
