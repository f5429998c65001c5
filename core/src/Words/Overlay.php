<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * The texts of packs in another language: `words/LANGUAGE/packs/KIND/ID.json` has the shape of a pack and nothing but its texts, lists in
 * their order, null where there is nothing yet. It says by `version` which pack it was made from: with another version it is left aside, for
 * English that is right is better than steps of another way of tying it.
 */
final readonly class Overlay
{
    /** The kinds of packs with their texts, as paths: `#` is any place in a list, `*` any key. */
    private const TEXTS = [
        'knots' => [
            'names/#', 'purpose', 'not_for', 'tied_with', 'undo', 'test', 'laid_rope', 'cautions/#', 'checks/*/#', 'bad_for/#/why', 'good_for/#/why', 'holds_when/why/*', 'undoes_after/why',
            'methods/#/name', 'methods/#/differs', 'methods/#/steps/#/say', 'methods/#/steps/#/story', 'mistakes/#/sign', 'mistakes/#/cause', 'mistakes/#/fix',
        ],
        'rigs' => self::BUILT, 'instruments' => self::BUILT, 'badges' => ['name', 'about'],
    ];

    private const BUILT = [
        'name', 'about', 'purpose', 'stands', 'leaves', 'learners/purpose', 'advice/#/say', 'cautions/#', 'checks/*/#', 'figures/#/name', 'gates/#', 'leaders/#', 'members/#/name', 'places/#/where', 'places/#/knots/#/why',
        'places/#/knots/#/counts', 'questions/#/ask', 'questions/#/choices/*', 'questions/#/fields/#/ask', 'raise/#', 'strike/#', 'refuse/#/allowed', 'refuse/#/say', 'sketch/marks/#/label',
    ];

    /** @param  ?string  $folder  of one language's packs; null: English, as packs are written */
    private function __construct(private ?string $folder)
    {
    }

    public static function none(): self
    {
        return new self(null);
    }

    /** @param  string  $words  the folder of all languages */
    public static function of(string $words, string $language): self
    {
        return new self(is_dir("$words/$language/packs") ? "$words/$language/packs" : null);
    }

    /**
     * @throws Refusal for a file that is no pack
     */
    public function read(string $kind, string $file): Fields
    {
        $pack = Fields::of(Json::arrays(Json::file($file)));

        return $this->folder === null ? $pack : Fields::of($this->over($kind, $pack->raw()));
    }

    /**
     * A pack with what there is of its texts in this language; what does not belong there is as if it were not.
     *
     * @param  array<array-key, mixed>  $pack
     * @return array<array-key, mixed>
     */
    public function over(string $kind, array $pack): array
    {
        $id = is_string($pack['id'] ?? null) ? $pack['id'] : '';
        $file = "$this->folder/$kind/$id.json";
        if ($this->folder === null || ! is_file($file)) {
            return $pack;
        }
        $texts = Json::arrays(Json::file($file));
        $faults = [];

        return is_array($texts) && ($texts['version'] ?? null) === ($pack['version'] ?? null) ? self::laid($pack, array_diff_key($texts, ['version' => 1]), self::TEXTS[$kind] ?? [], '', '', $faults) : $pack;
    }

    /** @return array<string, string> what names a side, and what the other side is called, as the left hand has it */
    public function sides(): array
    {
        $file = "$this->folder/sides.json";
        $read = $this->folder !== null && is_file($file) ? Json::arrays(Json::file($file)) : null;
        $pairs = [];
        foreach (is_array($read) ? $read : [] as $left => $right) {
            if (is_string($right)) {
                $pairs += [(string) $left => $right, $right => (string) $left];
            }
        }

        return $pairs;
    }

    /**
     * What is wrong with a language's packs, by file and field; what is left aside for its version counts as wrong, too.
     *
     * @param  string  $packs  the folder of packs
     * @return list<string>
     */
    public function faults(string $packs): array
    {
        $faults = [];
        foreach ($this->folder === null ? [] : (glob("$this->folder/*/*.json") ?: []) as $file) {
            [$kind, $name] = [basename(dirname($file)), basename($file)];
            $found = [];
            try {
                $texts = Json::arrays(Json::file($file));
                $pack = isset(self::TEXTS[$kind]) && is_file("$packs/$kind/$name") ? Json::arrays(Json::file("$packs/$kind/$name")) : null;
                if (! is_array($pack) || ! is_array($texts)) {
                    $found[] = 'there is no such pack';
                } elseif (($texts['version'] ?? null) !== ($pack['version'] ?? null)) {
                    $found[] = '/version is not that of the pack';
                } else {
                    self::laid($pack, array_diff_key($texts, ['version' => 1]), self::TEXTS[$kind], '', '', $found);
                }
            } catch (Refusal $refusal) {
                $found[] = $refusal->getMessage();
            }
            array_push($faults, ...array_map(static fn (string $fault): string => "$kind/$name: $fault", $found));
        }

        return $faults;
    }

    /** @return list<string> of packs */
    public static function kinds(): array
    {
        return array_keys(self::TEXTS);
    }

    /**
     * The texts of a pack as they are, for somebody to write them anew in another language.
     *
     * @param  array<array-key, mixed>  $pack
     * @return array<array-key, mixed>
     */
    public static function texts(string $kind, array $pack): array
    {
        return ['version' => $pack['version'] ?? null] + self::only($pack, self::TEXTS[$kind] ?? [], '');
    }

    /**
     * @param  array<array-key, mixed>  $pack
     * @param  list<string>  $known
     * @return array<array-key, mixed> its texts alone; in lists with null for what has none
     */
    private static function only(array $pack, array $known, string $at): array
    {
        $texts = [];
        foreach ($pack as $key => $value) {
            $path = self::below($at, $key, $pack);
            $text = is_array($value) ? self::only($value, $known, $path) : (is_string($value) && self::isText($path, $known) ? $value : null);
            $texts[$key] = $text === [] ? null : $text;
        }
        $some = array_filter($texts, static fn (mixed $one): bool => $one !== null);

        return $some === [] || ! array_is_list($pack) ? $some : $texts;
    }

    /**
     * @param  array<array-key, mixed>  $pack
     * @param  array<array-key, mixed>  $texts
     * @param  list<string>  $known
     * @param  string  $at  as in TEXTS
     * @param  string  $place  a JSON pointer
     * @param  list<string>  $faults  filled here
     * @return array<array-key, mixed>
     */
    private static function laid(array $pack, array $texts, array $known, string $at, string $place, array &$faults): array
    {
        foreach ($texts as $key => $text) {
            $path = self::below($at, $key, $pack);
            $value = $pack[$key] ?? null;
            if ($text === null) {
                continue;
            }
            if (is_array($value) && is_array($text)) {
                $pack[$key] = self::laid($value, $text, $known, $path, "$place/$key", $faults);
            } elseif (! is_string($value) || ! is_string($text) || ! self::isText($path, $known)) {
                $faults[] = "$place/$key is no text of the pack";
            } elseif (array_diff(self::names($text), self::names($value)) !== []) {
                $faults[] = "$place/$key has names in braces that the pack has not";
            } elseif (trim($text) !== '') {
                $pack[$key] = $text;
            }
        }

        return $pack;
    }

    /** @param  array<array-key, mixed>  $in */
    private static function below(string $at, string|int $key, array $in): string
    {
        return ltrim($at.'/'.(array_is_list($in) ? '#' : $key), '/');
    }

    /** @param  list<string>  $known */
    private static function isText(string $path, array $known): bool
    {
        foreach ($known as $pattern) {
            if (fnmatch($pattern, $path, FNM_PATHNAME)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private static function names(string $text): array
    {
        preg_match_all('/\{\w+\}/', $text, $found);

        return $found[0];
    }
}
