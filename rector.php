<?php

declare(strict_types=1);

use Rector\Config\RectorConfig;
use Rector\DeadCode\Rector\Cast\RecastingRemovalRector;

return RectorConfig::configure()
    ->withPaths([__DIR__.'/app', __DIR__.'/core/src', __DIR__.'/database', __DIR__.'/config'])
    ->withCache(__DIR__.'/.build/rector')
    // A key that looks like a number comes out of an array as one, whatever its type says: such casts stay.
    ->withImportNames(importShortClasses: false, removeUnusedImports: true)
    ->withSkip([RecastingRemovalRector::class])
    ->withPreparedSets(deadCode: true, typeDeclarations: true);
