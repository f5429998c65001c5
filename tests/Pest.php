<?php

declare(strict_types=1);

use Tests\BrowserCase;
use Tests\FeatureCase;

pest()->extend(FeatureCase::class)->in('Feature');
pest()->extend(BrowserCase::class)->in('Browser');

/**
 * What a script of the screens' side says.
 *
 * @param  string  $script  a file of tests/Web
 * @return array<mixed>
 */
function saidByNode(string $script): array
{
    exec('node '.escapeshellarg(__DIR__."/Web/$script"), $lines, $code);
    expect($code)->toBe(0);

    return json_decode(implode("\n", $lines), true, flags: JSON_THROW_ON_ERROR);
}
