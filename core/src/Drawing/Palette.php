<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

/**
 * The colours of a stand-alone drawing. Every rope differs from the next by lightness and by its tracer too, so
 * that a black-and-white print loses nothing.
 */
final readonly class Palette
{
    /** @param  non-empty-list<array{body: string, light: string, tracer: ?string}>  $ropes */
    private function __construct(
        public string $paper,
        public string $ink,
        public string $signal,
        public string $wood,
        public string $grain,
        public array $ropes,
    ) {
    }

    public static function print(): self
    {
        return new self('#ffffff', '#13262f', '#d8432b', '#d9cbb4', '#b09c7c', [
            ['body' => '#d9a94f', 'light' => '#f3d799', 'tracer' => null],
            ['body' => '#3f7d94', 'light' => '#86b7c8', 'tracer' => '#f7f4ea'],
        ]);
    }
}
