<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

/**
 * The colours of a drawing, for the screens (`npm run types` writes them into resources/js/palette.css) and for files alike.
 * Every rope differs from the next by lightness and by its tracer too, so that a black-and-white print loses nothing.
 */
final readonly class Palette
{
    /** @param  non-empty-list<array{body: string, light: string, tracer: ?string}>  $ropes */
    private function __construct(
        public string $paper,
        public string $line,
        public string $mark,
        public string $signal,
        public string $whipping,
        public string $wood,
        public string $grain,
        public array $ropes,
    ) {
    }

    public static function day(): self
    {
        return new self('#f3f4ee', '#11242d', '#11242d', '#bd3319', '#d8432b', '#d8cbb5', '#a8956f', [
            ['body' => '#dba94c', 'light' => '#f6dba0', 'tracer' => null],
            ['body' => '#3f7f98', 'light' => '#8fc0d1', 'tracer' => '#fbf8ec'],
        ]);
    }

    public static function night(): self
    {
        return new self('#0c181e', '#05090b', '#11242d', '#ff8465', '#d8432b', '#6d6350', '#4d4536', [
            ['body' => '#e2b35a', 'light' => '#f9e3b4', 'tracer' => null],
            ['body' => '#5a9db6', 'light' => '#aad3e0', 'tracer' => '#fbf8ec'],
        ]);
    }

    /** Black and white: ropes told apart by how dark they are and by the stripe. */
    public static function handout(): self
    {
        return new self('#ffffff', '#000000', '#11242d', '#000000', '#6f6f6f', '#e2e2e2', '#b5b5b5', [
            ['body' => '#f2f2f2', 'light' => '#ffffff', 'tracer' => null],
            ['body' => '#8d8d8d', 'light' => '#c4c4c4', 'tracer' => '#ffffff'],
        ]);
    }

    /** A drawing as a file of its own: the colours of the day, on white. */
    public static function file(): self
    {
        $day = self::day();

        return new self('#ffffff', $day->line, $day->mark, $day->signal, $day->whipping, $day->wood, $day->grain, $day->ropes);
    }

    /** @return array<string, string> by the name of the style sheet's property, without the two dashes */
    public function properties(): array
    {
        $properties = ['rope-line' => $this->line, 'rope-mark' => $this->mark, 'whipping' => $this->whipping, 'wood' => $this->wood, 'grain' => $this->grain];
        foreach ($this->ropes as $number => $rope) {
            $properties['rope-'.($number + 1)] = $rope['body'];
            $properties['rope-'.($number + 1).'-light'] = $rope['light'];
            if ($rope['tracer'] !== null) {
                $properties['tracer'] = $rope['tracer'];
            }
        }

        return $properties;
    }
}
