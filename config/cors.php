<?php

declare(strict_types=1);

// The screens come from the same place as the API; no other site's pages may read from it.
return [
    'paths' => [], 'allowed_methods' => [], 'allowed_origins' => [], 'allowed_origins_patterns' => [],
    'allowed_headers' => [], 'exposed_headers' => [], 'max_age' => 0, 'supports_credentials' => false,
];
