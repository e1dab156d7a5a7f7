<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'technicians'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'technicians']],
    'providers' => ['technicians' => ['driver' => 'eloquent', 'model' => App\Models\Technician::class]],
    'passwords' => [],
    'password_timeout' => 3600,
];
