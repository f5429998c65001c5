<?php

declare(strict_types=1);

/**
 * Writes what the core draws by for the screens: its figures into resources/js/drawing/look.ts, its colours into
 * resources/js/palette.css. With a folder, into that instead.
 */

use Compadre\Core\Drawing\Look;
use Compadre\Core\Drawing\Palette;

require dirname(__DIR__).'/vendor/autoload.php';

$folder = $argv[1] ?? dirname(__DIR__).'/resources/js';

$figures = "/** What ropes, poles and marks look like: the core's own figures, in rope widths. */\n";
foreach ((new ReflectionClass(Look::class))->getConstants() as $name => $value) {
    $figures .= "export const $name = ".json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES).";\n";
}
is_dir("$folder/drawing") || mkdir("$folder/drawing", 0755, true);
file_put_contents("$folder/drawing/look.ts", $figures);

$colours = "/* The colours of drawings: the core's own. */\n";
foreach ([':root' => Palette::day(), "[data-scheme='dark']" => Palette::night(), '.handout' => Palette::handout()] as $where => $palette) {
    $colours .= "$where {\n";
    foreach ($palette->properties() as $name => $colour) {
        $colours .= "  --$name: $colour;\n";
    }
    $colours .= "}\n";
}
file_put_contents("$folder/palette.css", $colours);
