<?php

declare(strict_types=1);

namespace App\Awards;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Draws an SVG to a PNG by librsvg, which runs no script in it and fetches nothing.
 */
final class DrawSvg
{
    private const SECONDS = 15;

    /** @return ?string the PNG, so large at most on either side; null for what cannot be drawn */
    public function __invoke(string $svg, int $side): ?string
    {
        $draw = new Process(['rsvg-convert', '--format=png', '--keep-aspect-ratio', "--width=$side", "--height=$side"], input: $svg, timeout: self::SECONDS);
        try {
            $draw->run();
        } catch (ProcessTimedOutException) {
            return null;
        }

        return $draw->isSuccessful() ? $draw->getOutput() : null;
    }
}
