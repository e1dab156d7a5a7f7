<?php

declare(strict_types=1);

return [
    'default' => 'local',
    // Nothing is served from the disk: no addresses of its own are registered for it.
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true]],
];
