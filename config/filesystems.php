<?php

declare(strict_types=1);

return [
    'default' => 'local',
    // Nothing of it is served: the framework's own disk would answer at an address of its own.
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true]],
];
